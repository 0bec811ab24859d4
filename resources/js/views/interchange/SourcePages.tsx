import { readable } from '../../ui/Address'
import { oneStatus, statusLook, type SourcePage } from './words'

/** Pages that are drawn at once. */
export const PIECE = 200

/** The tree as it would be, with a word on every page. */
export function SourcePages({ pages }: { pages: SourcePage[] }) {
    return (
        <ul aria-label="Pages as they would be">
            {pages.map(page => (
                <li key={page.at + page.id} className="border-b border-line px-5 py-1.5">
                    <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_108px] items-baseline gap-4">
                        <span
                            className={`truncate ${page.status === 'refused' ? 'text-ink-3' : 'font-semibold'}`}
                            style={{ paddingLeft: page.level * 20 }}
                        >
                            {page.name}
                        </span>
                        <span className="truncate font-mono text-[12.5px] text-ink-2" title={page.address ?? undefined}>
                            {page.was !== null && (
                                <>
                                    <del className="text-ink-3">{page.was}</del> →{' '}
                                </>
                            )}
                            {page.address === null ? '' : readable(page.address)}
                        </span>
                        <span className={`text-right text-[13px] ${statusLook[page.status]}`}>
                            {oneStatus[page.status]}
                        </span>
                    </div>
                    <Said page={page} />
                </li>
            ))}
        </ul>
    )
}

function Said({ page }: { page: SourcePage }) {
    const lines: [string, string][] = page.remarks.map(remark => [
        `${page.at}, ${remark.field}: ${remark.reason}${remark.suggestion === null ? '' : ` Perhaps: ${remark.suggestion}`}`,
        remark.refuses ? 'text-berry' : 'text-amber',
    ])
    if (page.former.length > 0) {
        const more = page.former.length > 3 ? ` and ${page.former.length - 3} more` : ''
        const verb = page.former.length === 1 ? 'leads' : 'lead'
        lines.push([`${page.former.slice(0, 3).join(', ')}${more} ${verb} here`, 'text-ink-3'])
    }
    return (
        lines.length > 0 && (
            <ul className="text-[12.5px] leading-[17px]" style={{ paddingLeft: page.level * 20 }}>
                {lines.map(([line, look]) => (
                    <li key={line} className={`break-words ${look}`}>
                        {line}
                    </li>
                ))}
            </ul>
        )
    )
}
