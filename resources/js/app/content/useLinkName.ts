import { useQuery } from '@tanstack/react-query'
import { pageQuery } from '../../api/queries'
import { useSite } from '../site'
import type { LinkAttrs } from './blocks'

/** What a link leads to, as one says it. */
export function useLinkName(link: LinkAttrs | null): string {
    const site = useSite()
    const page = link !== null && 'page' in link && typeof link.page === 'string' ? link.page : null
    const { data } = useQuery({ ...pageQuery(site.key, page ?? ''), enabled: page !== null })
    if (link === null) return ''
    if (page !== null) return `${data?.sheet.name ?? 'a page'}${'rest' in link && link.rest ? ` ${link.rest}` : ''}`
    if ('wanted' in link && typeof link.wanted === 'string') return `${link.wanted} (not there yet)`
    if ('file' in link && typeof link.file === 'string') return 'a file'
    return 'href' in link ? String(link.href).replace(/^(mailto|tel):/, '') : ''
}
