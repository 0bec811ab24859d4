import type { Schemas } from '../../api/client'
import { count } from '../../ui/count'

export const severityWords: Record<Schemas['Severity'], string> = {
    error: 'Error',
    warning: 'Warning',
    notice: 'Notice',
}

export const severityLooks: Record<Schemas['Severity'], string> = {
    error: 'text-berry',
    warning: 'text-amber',
    notice: 'text-ink-2',
}

/** How many a group of findings has, and of what. */
export const countOf = ({ of, pages }: Pick<Schemas['FindingGroup'], 'of' | 'pages'>) =>
    of === 'pages'
        ? count(pages, 'page')
        : count(pages, of === 'menus' ? 'entry' : 'redirect', of === 'menus' ? 'entries' : 'redirects')

/** Where on the sheet a finding is mended. */
export function tabOf(fix: Schemas['Fix']) {
    if (fix === 'content') return 'content'
    return fix === 'details' || fix === 'links' || fix === 'menus' ? 'details' : 'search'
}

/** Findings that are mended for many pages at once, in the grid. */
export const isOfGrid = (fix: Schemas['Fix']) => fix === 'title' || fix === 'description'
