/** Values that stand in an address with commas between. */
export const among = (list: string | undefined) => (list ?? '').split(',').filter(each => each !== '')

/** The same with one value put in, or taken out where it was; nothing where none is left. */
export function turned(list: string | undefined, value: string) {
    const now = among(list)
    return (now.includes(value) ? now.filter(each => each !== value) : [...now, value]).join(',') || undefined
}
