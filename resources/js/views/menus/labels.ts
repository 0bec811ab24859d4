import type { Schemas } from '../../api/client'
import { shortDate } from '../../ui/time'
import type { Kind } from './arrangement'

export const kinds: [Kind, string, string][] = [
    ['page', 'Page', 'Follows the page wherever it moves.'],
    ['branch', 'Branch', 'Filled from the tree: what stands inside a page.'],
    ['url', 'URL', 'Leads to another site.'],
    ['address', 'Address', 'An address of this site, as it is written.'],
    ['file', 'File', 'A document or picture of this site.'],
    ['heading', 'Heading', 'Seen, not clicked.'],
    ['separator', 'Separator', 'A line between entries.'],
]

export const kindWord = (kind: Kind) =>
    kind === 'url' ? 'URL' : (kinds.find(each => each[0] === kind)?.[1] ?? kind).toLowerCase()

type Shown = Schemas['ShownEntry']

/** Why somebody does not see an entry. */
export function hiddenWords({ hidden, when }: Pick<Shown, 'hidden' | 'when'>, audience?: string) {
    if (hidden === null) return ''
    const day = when === null ? '' : ` ${shortDate(when)}`
    const words: Record<NonNullable<Shown['hidden']>, string> = {
        'not-yet': `from${day}`,
        over: `ended${day}`,
        audience: `${audienceWords(audience ?? '')} only`,
        closed: 'the page is closed to them',
        draft: 'the page is a draft',
        review: 'the page is in review',
        offline: 'the page is offline',
        unlisted: 'the page is unlisted',
        bin: 'the page is in the bin',
        gone: 'leads nowhere',
        blank: 'nothing inside',
        above: 'hidden with what it stands under',
        'left-out': 'left out',
    }
    return words[hidden]
}

export function audienceWords(audience: string) {
    if (audience.startsWith('roles:')) return audience.slice(6).split(',').join(', ')
    return audience === '' || audience === 'everyone'
        ? 'everyone'
        : audience === 'visitors'
          ? 'visitors'
          : 'signed-in people'
}

type Finding = Schemas['MenuFinding']

export function findingWords({ kind, label, hidden, count, most }: Finding) {
    const words: Record<Finding['kind'], string> = {
        'leads-nowhere': `“${label}” leads nowhere.`,
        'page-hidden': `“${label}” is not seen: ${hiddenWords({ hidden: hidden as Shown['hidden'], when: null })}.`,
        noindex: `“${label}” leads to a page that is noindex: visitors find it here, search engines are told not to.`,
        redirect: `“${label}” goes through a redirect.`,
        crowded: `${count ?? 0} entries stand side by side; beyond ${most ?? 0} it gets crowded.`,
        'too-deep': `“${label}” stands on level ${(most ?? 0) + 1}; this place shows ${most ?? 0}.`,
        'label-doubled': `Two entries here are called “${label}”.`,
        'target-doubled': `“${label}” leads where another entry here leads too.`,
        blank: `“${label}” has nothing inside that visitors see.`,
    }
    return words[kind]
}
