import type { Schemas } from '../api/client'

export type Caching = Schemas['Caching']

const words: Record<string, string> = {
    off: 'off: never cached',
    standard: 'standard: browsers check each time',
    long: 'long: browsers keep pages for an hour',
}
const spans: [number, string][] = [
    [604_800, 'a week'],
    [86_400, 'a day'],
    [3600, 'an hour'],
    [600, '10 minutes'],
    [60, 'a minute'],
]

/** How long browsers and caches keep a page, as a choice says it. */
export const cachingWords = (caching: Caching) =>
    words[caching] ??
    `browsers keep it for ${spans.find(([seconds]) => seconds === caching)?.[1] ?? `${caching} seconds`}`

/** What may be chosen, with what is set by other means. */
export const cachingChoices = (now: Caching | null): (readonly [Caching, string])[] =>
    [...new Set<Caching>(['off', 'standard', 60, 600, 'long', 86_400, 604_800, ...(now === null ? [] : [now])])].map(
        each => [each, cachingWords(each)] as const,
    )
