import { useState } from 'react'
import { useChanges } from '../../app/changes'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { DialogActions } from '../../ui/DialogActions'
import { inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { useDebounced } from '../../ui/useDebounced'
import { Columns } from './Columns'
import { PIECE, SourcePages } from './SourcePages'
import { useSourcePages, type SourceActs } from './useSource'
import { statuses, type Source } from './words'

/** Pages from which on it is brought in in the background. */
const LARGE = 4000

/** What would come of it: counts, the tree, and the way on. */
export function LookedOver({ source, acts }: { source: Source; acts: SourceActs }) {
    const { propose } = useChanges()
    const [status, choose] = useState('')
    const [typed, type] = useState('')
    const [offset, turn] = useState(0)
    const [confirming, confirm] = useState(false)
    const text = useDebounced(typed, 250)
    const look = useSourcePages(source, status, text, offset)
    const { data } = look
    // What follows is of what was just said, not of what is still shown.
    const isBehind = data === undefined || acts.say.isPending || look.isPlaceholderData
    const of = (name: string) => data?.counts[name] ?? 0
    const made = of('new') + of('between') + of('changed')
    const besides = source.ownMenus + source.ownRedirects + source.said.menus.length
    const all = Object.values(data?.counts ?? {}).reduce((sum, each) => sum + each, 0)
    const show = (next: string) => {
        choose(next)
        turn(0)
    }
    const act = made > 0 ? `Import ${count(made, 'page')}` : 'Import'
    const goOn = () =>
        made > LARGE
            ? confirm(true)
            : void propose({
                  title: `Importing ${count(made, 'page')} from ${source.name}`,
                  act,
                  batch: { changes: [{ kind: 'bring-in', import: source.id }] },
                  always: true,
                  done: acts.applied,
              })
    return (
        <div className="flex min-w-0 flex-1 flex-col">
            {source.format === 'table' && <Columns source={source} acts={acts} />}
            <div className="flex items-start gap-3 border-b border-line py-2.5 pr-5 pl-3">
                <div className="flex min-w-0 flex-1 flex-wrap gap-x-0.5">
                    <Facet label="All" n={all} on={status === ''} onChoose={() => show('')} />
                    {statuses
                        .filter(([each]) => of(each) > 0)
                        .map(([each, label]) => (
                            <Facet
                                key={each}
                                label={label}
                                n={of(each)}
                                on={status === each}
                                onChoose={() => show(each)}
                            />
                        ))}
                    {data !== undefined && data.remarked > 0 && (
                        <Facet
                            label="With a remark"
                            n={data.remarked}
                            on={status === 'remarked'}
                            onChoose={() => show('remarked')}
                        />
                    )}
                </div>
                <input
                    type="search"
                    aria-label="Filter pages"
                    placeholder="Filter"
                    value={typed}
                    onChange={event => {
                        type(event.target.value)
                        turn(0)
                    }}
                    className={`${inputClasses} w-[140px]! shrink-0`}
                />
                <Button variant="main" disabled={isBehind || (made === 0 && besides === 0)} onClick={goOn}>
                    {made > LARGE ? `${act}…` : 'See what follows'}
                </Button>
            </div>
            <div className="min-h-0 flex-1 overflow-y-auto">
                {look.error !== null && <Alert className="m-5">{look.error.message}</Alert>}
                {source.problem !== null && <Alert className="m-5">{source.problem}</Alert>}
                {data !== undefined && (
                    <>
                        <p role="status" className="px-5 py-2 text-[13px] text-ink-2">
                            {besideWords(source, data.redirects)}
                        </p>
                        {data.pages.length === 0 ? (
                            <div className="px-5 py-2">
                                <Muted>No pages match. Remove a filter.</Muted>
                            </div>
                        ) : (
                            <SourcePages pages={data.pages} />
                        )}
                        {data.total > PIECE && (
                            <div className="flex items-center gap-3 px-5 py-3">
                                <Button disabled={offset === 0} onClick={() => turn(Math.max(0, offset - PIECE))}>
                                    Before
                                </Button>
                                <span className="text-[13px] text-ink-2 tabular-nums">
                                    {(offset + 1).toLocaleString('en-GB')}–
                                    {Math.min(offset + PIECE, data.total).toLocaleString('en-GB')} of{' '}
                                    {data.total.toLocaleString('en-GB')}
                                </span>
                                <Button disabled={offset + PIECE >= data.total} onClick={() => turn(offset + PIECE)}>
                                    Next
                                </Button>
                            </div>
                        )}
                    </>
                )}
            </div>
            {confirming && (
                <Modal
                    open
                    onClose={() => confirm(false)}
                    title={`Import ${count(made, 'page')}?`}
                    description="This many are imported in the background, in one step: all of them or none. The history can undo it."
                >
                    <DialogActions>
                        <Button onClick={() => confirm(false)}>Cancel</Button>
                        <Button
                            variant="main"
                            onClick={() => {
                                confirm(false)
                                acts.apply.mutate()
                            }}
                        >
                            {act}
                        </Button>
                    </DialogActions>
                </Modal>
            )}
        </div>
    )
}

function besideWords(source: Source, redirects: number) {
    const said = [
        redirects > 0 && `${count(redirects, 'further address leads', 'further addresses lead')} to these pages`,
        source.files > 0 && `${count(source.files, 'file comes', 'files come')} along`,
        source.ownMenus > 0 && count(source.ownMenus, 'menu'),
        source.ownRedirects > 0 && count(source.ownRedirects, 'redirect'),
        source.leftCount > 0 &&
            `${count(source.leftCount, 'file is', 'files are')} left out (${source.left.slice(0, 2).join('; ')})`,
    ].filter(each => each !== false)
    return said.length === 0 ? 'Nothing else comes along.' : `${said.join(' · ')}.`
}

function Facet({ label, n, on, onChoose }: { label: string; n: number; on: boolean; onChoose: () => void }) {
    return (
        <button
            type="button"
            aria-pressed={on}
            onClick={onChoose}
            className={`rounded-md px-2 py-1 text-[13px] ${on ? 'bg-heron-soft font-semibold text-heron' : 'text-ink-2 hover:bg-sunk'}`}
        >
            {label} <span className="tabular-nums">{n.toLocaleString('en-GB')}</span>
        </button>
    )
}
