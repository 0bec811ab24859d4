import clsx from 'clsx'
import { useRef, useState, type KeyboardEvent } from 'react'
import { ulid } from '../../api/ulid'
import type { ApiProblem, Schemas } from '../../api/client'
import { heldBy, wayOutLabel } from '../../app/conflicts'
import { useChanges } from '../../app/changes'
import { readable } from '../../ui/Address'
import { useAddressAnswer } from '../../app/useAddressAnswer'
import type { MakePlace, Page } from './rows'

const look = 'h-[26px] min-w-0 rounded border border-heron bg-sheet px-1.5 text-ink'

/** Keys of a field inside the grid: Enter takes, Esc lets go; the grid hears neither. */
function fieldKeys(take: () => void, letGo: () => void) {
    return (event: KeyboardEvent) => {
        event.stopPropagation()
        if (event.key === 'Enter') take()
        if (event.key === 'Escape') {
            event.preventDefault()
            letGo()
        }
    }
}

/** The address as it will be, or why it cannot be. */
function Answer({
    answer,
    problem,
    onWay,
    floats = false,
}: {
    answer: Schemas['SlugAnswer'] | undefined
    problem: string | null
    onWay?: (slug: string) => void
    floats?: boolean
}) {
    const conflict = answer?.conflict ?? null
    const free = conflict?.waysOut.find(way => way.kind === 'free-slug')
    const bad = problem ?? answer?.error ?? (conflict === null ? null : heldBy(conflict))
    if (bad === null)
        return (
            <output className="ml-2.5 truncate font-mono text-[13px] text-ink-2">
                {answer === undefined ? '' : readable(answer.address ?? '')}
            </output>
        )
    return (
        <span
            role="alert"
            className={clsx(
                'flex items-center gap-2 px-2.5 text-[13px] whitespace-nowrap text-berry',
                floats && 'absolute top-full left-24 z-20 mt-1 rounded bg-sheet py-1.5 shadow-float',
            )}
        >
            {bad}
            {free !== undefined && onWay !== undefined && (
                <button
                    type="button"
                    className="font-semibold text-heron underline underline-offset-2"
                    onClick={() => onWay(free.slug ?? '')}
                >
                    {wayOutLabel(free)}
                </button>
            )}
        </span>
    )
}

/** Names a new page in its place, with the address it will get while it is typed. */
export function MakeField({ place, onDone }: { place: MakePlace; onDone: (page: string | null) => void }) {
    const { propose } = useChanges()
    const [page] = useState(() => ulid())
    const [name, setName] = useState('')
    const [slug, setSlug] = useState<string>()
    const field = useRef<HTMLInputElement>(null)
    const takeSlug = (way: string) => {
        setSlug(way)
        field.current?.focus()
    }
    const [problem, setProblem] = useState<string | null>(null)
    const change: Schemas['Change'] = {
        kind: 'make',
        page,
        name,
        place: place.after === null ? { last: place.parent } : { after: place.after },
        ...(slug === undefined ? {} : { slug }),
    }
    const answer = useAddressAnswer(name.trim() === '' ? null : change)
    const take = () => {
        if (name.trim() === '') setProblem('Type a name for the page.')
        else
            void propose({
                title: `Making ${name}`,
                act: 'Make page',
                batch: { changes: [change] },
                done: () => onDone(page),
                failed: refused => setProblem(refused.message),
            })
    }
    return (
        <>
            <input
                ref={field}
                autoFocus
                aria-label="Name of the new page"
                placeholder="Name of the new page"
                value={name}
                onChange={event => {
                    setName(event.target.value)
                    setProblem(null)
                    setSlug(undefined)
                }}
                onKeyDown={fieldKeys(take, () => onDone(null))}
                onBlur={event =>
                    name.trim() === '' &&
                    event.relatedTarget?.closest('[role=row]') !== event.currentTarget.closest('[role=row]') &&
                    onDone(null)
                }
                className={`${look} w-[260px] font-medium`}
            />
            <button
                type="button"
                onClick={take}
                className="ml-2 shrink-0 rounded bg-heron px-2.5 text-[13px] leading-[24px] font-semibold whitespace-nowrap text-on-heron"
            >
                Make page
            </button>
            <Answer answer={answer} problem={problem} onWay={takeSlug} floats />
        </>
    )
}

export function NameField({ page, onDone }: { page: Page; onDone: () => void }) {
    const { propose } = useChanges()
    const [name, setName] = useState(page.name)
    const [problem, setProblem] = useState<ApiProblem | null>(null)
    const follows = useAddressAnswer(
        name.trim() === '' || name === page.name ? null : { kind: 'rename', page: page.id, name },
    )
    const take = () => {
        if (name.trim() === page.name) onDone()
        else
            void propose({
                title: `Renaming ${page.name} to ${name}`,
                act: 'Rename',
                batch: { changes: [{ kind: 'rename', page: page.id, name }] },
                done: onDone,
                failed: setProblem,
            })
    }
    return (
        <span className="relative flex-1">
            <input
                autoFocus
                onFocus={event => event.currentTarget.select()}
                aria-label={`Name of ${page.name}`}
                value={name}
                onChange={event => {
                    setName(event.target.value)
                    setProblem(null)
                }}
                onKeyDown={fieldKeys(take, onDone)}
                onBlur={() => name === page.name && onDone()}
                className={`${look} w-full font-medium`}
            />
            {(problem !== null || follows !== undefined) && (
                <span className="absolute top-full left-0 z-20 mt-1 rounded bg-sheet py-1 pr-3 shadow-float">
                    <Answer answer={follows} problem={problem?.message ?? null} />
                </span>
            )}
        </span>
    )
}

export function SlugField({ page, onDone }: { page: Page; onDone: () => void }) {
    const { propose } = useChanges()
    const [slug, setSlug] = useState(page.slug)
    const field = useRef<HTMLInputElement>(null)
    const takeSlug = (way: string) => {
        setSlug(way)
        field.current?.focus()
    }
    const [problem, setProblem] = useState<ApiProblem | null>(null)
    const answer = useAddressAnswer(slug === page.slug ? null : { kind: 'set-slug', page: page.id, slug })
    const take = () => {
        if (slug === page.slug) onDone()
        else
            void propose({
                title: `Changing the slug of ${page.name} to ${slug}`,
                act: 'Change slug',
                batch: { changes: [{ kind: 'set-slug', page: page.id, slug }] },
                done: onDone,
                failed: setProblem,
            })
    }
    return (
        <span className="relative block">
            <input
                ref={field}
                autoFocus
                onFocus={event => event.currentTarget.select()}
                aria-label={`Slug of ${page.name}`}
                value={slug}
                onChange={event => {
                    setSlug(event.target.value)
                    setProblem(null)
                }}
                onKeyDown={fieldKeys(take, onDone)}
                onBlur={() => slug === page.slug && onDone()}
                className={`${look} w-full font-mono text-[13px]`}
            />
            {(problem !== null || answer !== undefined) && (
                <span className="absolute top-full left-0 z-20 mt-1 rounded bg-sheet py-1 pr-3 shadow-float">
                    <Answer answer={answer} problem={problem?.message ?? null} onWay={takeSlug} />
                </span>
            )}
        </span>
    )
}
