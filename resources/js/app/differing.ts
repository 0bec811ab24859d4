/** Whether two values say the same; what says nothing is nothing, however that is written. */
export const same = (one: unknown, other: unknown) => JSON.stringify(one ?? null) === JSON.stringify(other ?? null)

/** What of a draft differs from what stands. */
export function differing<T extends object>(typed: Partial<T>, stands: T): Partial<T> {
    return Object.fromEntries(
        Object.entries(typed).filter(([field, value]) => !same(value, stands[field as keyof T])),
    ) as Partial<T>
}
