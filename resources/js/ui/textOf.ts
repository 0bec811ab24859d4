/** Text of a file in the encoding that it seems to have; the server is given text. */
export async function textOf(file: File) {
    const bytes = await file.arrayBuffer()
    const head = new Uint8Array(bytes.slice(0, 2))
    if (head[0] === 0xff && head[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
    if (head[0] === 0xfe && head[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes)
    try {
        return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
    } catch {
        return new TextDecoder('windows-1252').decode(bytes)
    }
}
