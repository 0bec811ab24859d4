const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'

/** A new ULID: 48 bits of time, 80 of chance, in Crockford's base 32. */
export function ulid(now = Date.now()) {
    let time = ''
    for (let i = 0, rest = now; i < 10; i++, rest = Math.floor(rest / 32)) time = LETTERS.charAt(rest % 32) + time
    return time + Array.from(crypto.getRandomValues(new Uint8Array(16)), byte => LETTERS.charAt(byte % 32)).join('')
}
