import { CornerDownRight, DoorClosed, FileDown, FolderTree, Lock } from 'lucide-react'
import { Hint } from '../../ui/Hint'
import type { Page } from './rows'

/** What a row is, where it is no plain page: in a sign and, for readers and on hover, in words. */
export function KindSign({ page }: { page: Page }) {
    const look = 'ml-1.5 inline-flex items-center gap-1 text-[12px] text-ink-3'
    const whole = `${look} shrink-0`
    return (
        <>
            {page.kind === 'section' && (
                <Hint
                    description={
                        page.leftOut
                            ? 'Section, left out of the addresses below'
                            : 'Section: its address leads to its first live page'
                    }
                >
                    <span className={whole}>
                        <FolderTree size={13} aria-label="section" />
                        {page.leftOut && 'left out'}
                    </span>
                </Hint>
            )}
            {page.kind === 'pointer' && (
                <Hint description={`Pointer to ${page.leadsTo ?? 'nothing'}`}>
                    <span className={`${look} min-w-0 shrink-[99]`}>
                        <CornerDownRight size={13} className="shrink-0" aria-label="pointer to" />
                        <span className="truncate">{page.leadsTo}</span>
                    </span>
                </Hint>
            )}
            {page.kind === 'download' && (
                <Hint description={`Download of ${page.leadsTo ?? 'nothing'}`}>
                    <span className={whole}>
                        <FileDown size={13} aria-label={`download of ${page.leadsTo ?? 'nothing'}`} />
                    </span>
                </Hint>
            )}
            {page.closed && (
                <Hint description="Closed: not everyone sees it">
                    <span className={whole}>
                        <DoorClosed size={13} role="img" aria-label="closed to some visitors" />
                    </span>
                </Hint>
            )}
            {page.isProtected && (
                <Hint description="Protected: only the owner can retire it">
                    <span className={whole}>
                        <Lock size={12} aria-label="protected" />
                    </span>
                </Hint>
            )}
        </>
    )
}
