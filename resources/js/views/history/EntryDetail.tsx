import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { X } from 'lucide-react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useChanges } from '../../app/changes'
import { noteWords } from '../../app/noteWords'
import { RippleAccount } from '../../app/RippleAccount'
import { entryRows } from '../../app/rippleRows'
import { ReplacedOn } from './ReplacedOn'
import { Sentence } from '../../app/Sentence'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { moment } from '../../ui/time'
import { Alert } from '../../ui/Alert'
import { Muted } from '../../ui/Muted'

/** A change opened: what followed from it, and undoing it. */
export function EntryDetail({ entry: id, onClose }: { entry: string; onClose: () => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const { data, error } = useQuery({
        queryKey: keys.entry(site.key, id),
        queryFn: () =>
            answered(api.GET('/sites/{site}/history/{entry}', { params: { path: { site: site.key, entry: id } } })),
    })
    const take = (how: { entries: string[]; pages?: string[] } | { since: string }, title: string) =>
        void propose({ title, act: 'Undo', always: true, undo: how })
    return (
        <aside
            aria-label="Change"
            className="flex h-full w-[520px] shrink-0 flex-col overflow-y-auto border-l border-line bg-sheet px-5 pt-4 pb-8 max-lg:w-[420px] max-md:absolute max-md:inset-y-12 max-md:right-0 max-md:z-10 max-md:w-[calc(100vw-52px)]"
        >
            <div className="flex items-start gap-2">
                <h2 className="min-w-0 flex-1 text-[17px] leading-6 font-bold">
                    {data === undefined ? (
                        error === null ? (
                            'Reading the change…'
                        ) : (
                            'The change could not be read'
                        )
                    ) : (
                        <Sentence text={data.entry.sentence} />
                    )}
                </h2>
                <button
                    type="button"
                    aria-label="Close the change"
                    onClick={onClose}
                    className="grid size-7 place-items-center rounded text-ink-3 hover:bg-sunk hover:text-ink"
                >
                    <X size={17} aria-hidden />
                </button>
            </div>
            {error !== null && <Alert>{error.message}</Alert>}
            {data !== undefined && (
                <>
                    <p className="mt-1 text-ink-2">
                        {data.entry.by ?? 'By schedule'}, {moment(data.entry.at)}
                    </p>
                    {data.entry.note !== '' && <p className="mt-2 border-l-2 border-line pl-3">{data.entry.note}</p>}
                    {data.entry.file !== null && (
                        <p className="mt-3">
                            <Link
                                to="/s/$site/files"
                                params={{ site: site.key }}
                                search={{ file: data.entry.file }}
                                className="font-semibold text-heron underline-offset-2 hover:underline"
                            >
                                Open the file and its earlier versions
                            </Link>
                        </p>
                    )}
                    {data.entry.piece !== null && (
                        <p className="mt-3">
                            <Link
                                to="/s/$site/files"
                                params={{ site: site.key }}
                                search={{ of: 'pieces', piece: data.entry.piece }}
                                className="font-semibold text-heron underline-offset-2 hover:underline"
                            >
                                Open the piece and its earlier versions
                            </Link>
                        </p>
                    )}
                    {site.writes && !data.entry.thinned && data.entry.file === null && data.entry.piece === null && (
                        <div className="mt-3 flex flex-wrap items-center gap-2">
                            {data.entry.undone ? (
                                <p className="text-ink-3">This has been undone.</p>
                            ) : (
                                <Button variant="main" onClick={() => take({ entries: [id] }, 'Undoing this change')}>
                                    Undo…
                                </Button>
                            )}
                            <Button onClick={() => take({ since: id }, 'Undoing everything since')}>
                                Undo everything since…
                            </Button>
                        </div>
                    )}
                    {site.writes && !data.entry.undone && data.replacedOn.length > 0 && (
                        <ReplacedOn
                            pages={data.replacedOn}
                            onUndo={page => take({ entries: [id], pages: [page.id] }, `Undoing it on ${page.name}`)}
                        />
                    )}
                    <div className="mt-5">
                        {data.ripple === null ? (
                            <Muted>
                                What followed from this change has been removed from the history. What was done, by whom
                                and when, stays.
                            </Muted>
                        ) : (
                            <RippleAccount account={data.ripple} rows={entryRows(site.key, id)} />
                        )}
                    </div>
                    {data.ripple !== null && data.ripple.notes.length > 0 && (
                        <ul className="mt-4 grid gap-1.5 border-l-2 border-amber pl-4">
                            {data.ripple.notes.map((note, i) => (
                                <li key={i}>{noteWords(note)}</li>
                            ))}
                        </ul>
                    )}
                </>
            )}
        </aside>
    )
}
