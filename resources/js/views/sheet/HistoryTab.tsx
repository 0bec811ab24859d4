import { useQuery } from '@tanstack/react-query'
import { useNavigate } from '@tanstack/react-router'
import { useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useChanges } from '../../app/changes'
import { Sentence } from '../../app/Sentence'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { ago, clock } from '../../ui/time'
import { Compare } from './Compare'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { Choice } from '../../ui/Choice'

type Entry = Schemas['HistoryEntry']
type Version = Schemas['Version']
type Item = { at: string; entry: Entry; version?: undefined } | { at: string; version: Version; entry?: undefined }

/** What happened to this page, in one line of time: changes, and the versions of its content, each of which is opened. */
export function HistoryTab({ sheet, onBrought }: { sheet: Schemas['PageSheet']; onBrought: () => void }) {
    const site = useSite()
    const history = useQuery({
        queryKey: keys.pageHistory(site.key, sheet.id),
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/history', { params: { path: { site: site.key }, query: { page: sheet.id } } }),
            ),
    })
    const saved = useQuery({
        queryKey: keys.versions(site.key, sheet.id),
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/pages/{page}/versions', {
                    params: { path: { site: site.key, page: sheet.id } },
                }),
            ),
    })
    const [minorToo, setMinorToo] = useState(true)
    const [opened, setOpened] = useState<number | null>(null)
    const { data: entries } = history
    const { data: versions } = saved
    if (entries === undefined || versions === undefined)
        return history.isError || saved.isError ? (
            <ReadFailure of={[history, saved]} />
        ) : (
            <p role="status" className="text-ink-3">
                Reading the history…
            </p>
        )
    const items: Item[] = [
        // What an entry tells of saved content, the version itself tells better.
        ...entries.filter(entry => entry.version === null).map(entry => ({ at: entry.at, entry })),
        ...versions.filter(version => minorToo || !version.minor).map(version => ({ at: version.at, version })),
    ].sort((a, b) => b.at.localeCompare(a.at))
    return (
        <section aria-label="History of the page">
            {versions.some(version => version.minor) && (
                <Choice
                    className="mb-1 justify-end text-[13px] text-ink-2"
                    checked={minorToo}
                    onChange={event => setMinorToo(event.target.checked)}
                >
                    minor versions too
                </Choice>
            )}
            <ul className="grid gap-2">
                {items.map(item =>
                    item.entry !== undefined ? (
                        <ChangeItem key={item.entry.id} entry={item.entry} page={sheet.id} />
                    ) : (
                        <VersionItem
                            key={`version ${item.version.number}`}
                            version={item.version}
                            isLatest={item.version.number === versions[0]?.number}
                            onOpen={() => setOpened(item.version.number)}
                        />
                    ),
                )}
            </ul>
            {items.length === 0 && <p className="text-ink-3">Nothing yet.</p>}
            {opened !== null && (
                <Compare
                    sheet={sheet}
                    number={opened}
                    versions={versions}
                    onBrought={onBrought}
                    onClose={() => setOpened(null)}
                />
            )}
        </section>
    )
}

const line = 'grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-t border-line pt-2'

function ChangeItem({ entry, page }: { entry: Entry; page: string }) {
    const site = useSite()
    const navigate = useNavigate()
    const { propose } = useChanges()
    return (
        <li className={line}>
            <div>
                <button
                    type="button"
                    className={`text-left hover:underline hover:underline-offset-2 ${entry.undone ? 'text-ink-3 line-through' : ''}`}
                    onClick={() =>
                        void navigate({
                            to: '/s/$site/history',
                            params: { site: site.key },
                            search: { page, entry: entry.id },
                        })
                    }
                >
                    <Sentence text={entry.sentence} />
                </button>
                <Muted small>
                    {ago(entry.at)}, {clock(entry.at)}, {entry.by ?? 'by schedule'}
                    {entry.note !== '' && `: “${entry.note}”`}
                </Muted>
            </div>
            {site.writes && !entry.undone && !entry.thinned && (
                <Button
                    variant="quiet"
                    onClick={() =>
                        void propose({
                            title: 'Undoing this change',
                            act: 'Undo',
                            always: true,
                            undo: { entries: [entry.id] },
                        })
                    }
                >
                    Undo…
                </Button>
            )}
        </li>
    )
}

function VersionItem({ version, isLatest, onOpen }: { version: Version; isLatest: boolean; onOpen: () => void }) {
    return (
        <li className={line}>
            <div>
                <p>
                    Content saved, version <b className="font-semibold">{version.number}</b>
                    {version.live && <span className="ml-2 text-[12px] text-reed">visitors see this one</span>}
                    {version.minor && <span className="ml-2 text-[12px] text-ink-3">minor</span>}
                </p>
                <Muted small>
                    {ago(version.at)}, {clock(version.at)}
                    {version.by !== null && `, ${version.by}`}
                    {version.note !== '' && `: “${version.note}”`}
                </Muted>
            </div>
            <Button
                variant="quiet"
                aria-label={`${isLatest ? 'Show' : 'Compare with latest'}: version ${version.number}`}
                onClick={onOpen}
            >
                {isLatest ? 'Show' : 'Compare with latest'}
            </Button>
        </li>
    )
}
