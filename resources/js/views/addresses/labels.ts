import type { Schemas } from '../../api/client'

export type Row = Schemas['AddressRow']
export type Kind = Row['kind']
export type Redirect = Schemas['Redirect']

export const kinds: [Kind, string][] = [
    ['page', 'Pages'],
    ['also', 'Further'],
    ['former', 'Former'],
    ['one', 'Redirects'],
    ['branch', 'Branches'],
    ['pattern', 'Patterns'],
    ['gone', 'Gone'],
    ['bin', 'Bin'],
    ['removed', 'Removed'],
    ['reserved', 'Reserved'],
    ['missed', 'Missed'],
]

/** One of a kind, as the tree says it. */
export const kindWords: Record<Kind, string> = {
    page: 'page',
    also: 'further address',
    former: 'former address',
    one: 'redirect',
    branch: 'branch',
    pattern: 'pattern',
    gone: 'gone',
    bin: 'kept for the bin',
    removed: 'removed',
    reserved: 'reserved',
    missed: 'missed',
}

export const answers: [Redirect['answer'], string, string][] = [
    ['301', 'Permanent', 'Moved permanently (301). Search engines switch to the new address.'],
    ['302', 'Temporary', 'Found elsewhere (302). Search engines keep this address.'],
    ['307', 'Temporary, same method', 'Temporary (307). Forms sent to this address are sent on unchanged.'],
    ['308', 'Permanent, same method', 'Permanent (308). Forms sent to this address are sent on unchanged.'],
    ['pause', 'Pause page', 'Shows a message, then goes on after some seconds.'],
    ['410', 'Gone', 'Removed for good (410), and leads nowhere.'],
]

/** What answers at an address, in a word or two. */
export function answerWords({ kind, isLive, redirect, waits, state }: Row) {
    const off = state === 'off' ? ', off' : state === 'over' ? ', expired' : state === 'waiting' ? ', not yet' : ''
    if (kind === 'removed') return 'redirect, removed'
    if (redirect !== null)
        return `${redirect.answer === 'pause' ? 'pause page' : redirect.answer === '410' ? 'gone, 410' : `redirects, ${redirect.answer}`}${redirect.inFront ? ', overrides the page' : ''}${off}`
    const words: Record<Kind, string> = {
        page: isLive === true ? 'page' : 'page, not live',
        also: isLive === true ? 'page' : 'page, not live',
        former: isLive === true ? 'redirects, 301' : 'page not live',
        one: '',
        branch: '',
        pattern: '',
        gone: 'gone, 410',
        bin: `kept for “${waits ?? ''}”`,
        removed: '',
        reserved: 'the system',
        missed: 'nothing, 404',
    }
    return words[kind]
}

export const key = (row: Row) =>
    (row.kind === 'removed' ? `removed ${row.redirect?.id ?? ''}` : row.redirect?.id) ?? `${row.kind} ${row.address}`
