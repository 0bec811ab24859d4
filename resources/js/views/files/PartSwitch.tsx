import { Link } from '@tanstack/react-router'
import clsx from 'clsx'
import { useSite } from '../../app/site'

/** Files, or pieces of content: both are kept once and used on many pages. */
export function PartSwitch({ part }: { part: 'files' | 'pieces' }) {
    const site = useSite()
    const look = (on: boolean) =>
        clsx('pt-1 pb-1.5', on ? 'font-[650] text-ink shadow-[inset_0_-2px_var(--heron)]' : 'text-ink-2 hover:text-ink')
    return (
        <nav aria-label="Parts of the files" className="flex gap-[18px]">
            <Link
                to="/s/$site/files"
                params={{ site: site.key }}
                search={{}}
                aria-current={part === 'files' ? 'page' : undefined}
                className={look(part === 'files')}
            >
                Pictures and documents
            </Link>
            <Link
                to="/s/$site/files"
                params={{ site: site.key }}
                search={{ of: 'pieces' }}
                aria-current={part === 'pieces' ? 'page' : undefined}
                className={look(part === 'pieces')}
            >
                Shared pieces
            </Link>
        </nav>
    )
}
