import type { Schemas } from '../../api/client'

type Kind = Schemas['RedirectFinding']['kind']

/** What is said of redirects of a kind, and why it matters; the gravest first. */
export const findingWords: Record<Kind, [string, string]> = {
    loop: ['End in a loop', 'Visitors come back to where they were, and get nothing.'],
    'dead-target': ['Lead nowhere', 'No page that visitors get, and nothing else, answers there.'],
    'gone-target': ['Lead to what is gone', 'The answer there is “gone”.'],
    'never-fires': ['Never apply', 'Something else takes every request first.'],
    'hides-page': ['Hide a page', 'They answer before a page that is live.'],
    chain: [
        'Take more than one step',
        'They lead to another redirect. Visitors are sent to the end at once; search engines and others that read the rules are not.',
    ],
    expired: ['Expired', 'Their end date has passed.'],
    doubled: ['Duplicates of a branch redirect', 'A branch sends there already.'],
    'not-https': ['Lead to an unencrypted site', 'The target begins with http://.'],
    idle: ['Unused', 'Nobody has used it for a long time.'],
}

/** The same of one redirect, as its row says it. */
export const findingOfRow: Record<Kind, string> = {
    loop: 'ends in a loop',
    'dead-target': 'leads nowhere',
    'gone-target': 'leads to what is gone',
    'never-fires': 'never applies',
    'hides-page': 'hides a page',
    chain: 'takes more than one step',
    expired: 'has expired',
    doubled: 'duplicates a branch redirect',
    'not-https': 'leads to an unencrypted site',
    idle: 'is unused',
}

/** What mends one, as a button says it. */
export const mendWords: Record<Kind, string> = {
    loop: 'Switch off',
    'dead-target': 'Return 410 (gone)',
    'gone-target': 'Return 410 (gone)',
    'never-fires': 'Switch off',
    'hides-page': 'Switch off',
    chain: 'Straighten',
    expired: 'Switch off',
    doubled: 'Remove',
    'not-https': 'Lead to https',
    idle: 'Switch off',
}
