/** Where one goes after signing in: an address of the editor, neither another host nor the sign-in itself; otherwise nowhere in particular. */
export function wayBack(asked: unknown): string | undefined {
    if (typeof asked !== 'string' || !/^\/(?![/\\])/.test(asked) || /[\t\r\n]/.test(asked)) return undefined
    return /^\/sign-in(?:[/?#]|$)/.test(asked) ? undefined : asked
}
