/** "1 page", "3 pages", "no pages". */
export function count(n: number, one: string, many = `${one}s`) {
    return n === 0 ? `no ${many}` : `${n.toLocaleString('en-GB')} ${n === 1 ? one : many}`
}
