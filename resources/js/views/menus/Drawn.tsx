import clsx from 'clsx'
import type { Schemas } from '../../api/client'
import { hiddenWords } from './labels'

type Shown = Schemas['ShownEntry']
type Props = {
    shown: Shown[]
    place: string | null
    kind: 'menu' | 'picks'
    phone: boolean
    entry: string | undefined
    audiences: Map<string, string>
    onEntry: (entry: string) => void
}

/** The menu as somebody gets it, in the shape that its place has; what they do not see is outlined with the reason. */
export function Drawn(props: Props) {
    const { shown, place, kind, phone } = props
    if (shown.length === 0)
        return (
            <p className="px-1 py-6 text-ink-3">Nothing is shown here yet. Add a page, a branch or a heading below.</p>
        )
    if (kind === 'picks') {
        return (
            <ul className={clsx('grid gap-2.5', phone ? 'grid-cols-1' : 'grid-cols-3')}>
                {shown.map((pick, i) => (
                    <li key={pick.entry + i} className="min-h-[64px] rounded-md bg-sunk p-2.5">
                        {pick.picture !== null && (
                            <img
                                src={pick.picture}
                                alt=""
                                className="mb-1.5 aspect-video w-full rounded object-cover"
                            />
                        )}
                        <One {...props} one={pick} strong />
                        {pick.text !== '' && (
                            <p className="mt-0.5 line-clamp-2 px-1.5 text-[12px] leading-4 text-ink-2">{pick.text}</p>
                        )}
                    </li>
                ))}
            </ul>
        )
    }
    const flat = phone || (place !== 'main' && place !== 'footer')
    return (
        <ul
            className={clsx(
                'gap-x-5 gap-y-3',
                flat && !phone && 'flex flex-wrap',
                phone && 'grid',
                !flat && 'grid auto-cols-fr grid-flow-col',
            )}
        >
            {shown.map((entry, i) => (
                <li
                    key={entry.entry + (entry.page ?? i)}
                    className={clsx('min-w-0', phone && 'border-b border-line pb-2')}
                >
                    <One {...props} one={entry} strong={place !== 'quick'} />
                    {entry.under.length > 0 && (
                        <ul className={clsx('mt-1.5 grid gap-1', flat ? 'pl-4' : 'border-t border-line pt-1.5')}>
                            {entry.under.map((below, n) => (
                                <li key={below.entry + (below.page ?? n)} className="min-w-0">
                                    <One {...props} one={below} strong={false} />
                                </li>
                            ))}
                        </ul>
                    )}
                </li>
            ))}
        </ul>
    )
}

function One({ one, strong, entry, audiences, onEntry }: Props & { one: Shown; strong: boolean }) {
    if (one.kind === 'separator')
        return (
            <button
                type="button"
                aria-label="Separator"
                onClick={() => onEntry(one.entry)}
                className="block h-4 w-full py-[7px]"
            >
                <span className="block h-px bg-edge opacity-60" />
            </button>
        )
    return (
        <button
            type="button"
            aria-pressed={one.entry === entry}
            onClick={() => onEntry(one.entry)}
            className={clsx(
                'block max-w-full rounded px-1.5 py-0.5 text-left hover:bg-heron-soft',
                one.entry === entry && 'bg-heron-soft shadow-[inset_2px_0_var(--heron)]',
                one.hidden !== null && 'outline outline-1 outline-offset-[-1px] outline-edge outline-dashed',
            )}
        >
            <span
                className={clsx(
                    'block leading-[18px] break-words',
                    strong ? 'font-[650]' : '',
                    one.hidden !== null && 'text-ink-3',
                    one.href === null && one.hidden === null && 'text-ink-2',
                )}
            >
                {one.label}
            </span>
            {one.hidden !== null && (
                <span className="block truncate text-[12px] leading-4 text-amber">
                    {hiddenWords(one, audiences.get(one.entry))}
                </span>
            )}
        </button>
    )
}
