/** How well a block is meant by what is typed: its name counts before what it is also called. */
export function likeness(name: string, typed: string, also: string[] = []): number {
    const text = typed.trim().toLowerCase()
    const own = name.toLowerCase()
    if (own.startsWith(text)) return 1
    if (own.includes(text)) return 0.8
    if (also.some(word => word.startsWith(text))) return 0.6
    return also.some(word => word.includes(text)) ? 0.4 : 0
}
