import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { PageTitle } from '../../ui/PageTitle'
import { ReadFailure } from '../../ui/ReadFailure'
import { Give } from './Give'
import { LookedOver } from './LookedOver'
import { SourceForm } from './SourceForm'
import { useSource, useSourceActs } from './useSource'
import { formats, type Source } from './words'

type Props = { source: string | null; onGiven: (id: string | null) => void; onDone: () => void }

/** Brings pages in: given, understood, looked over as a tree, then made as one change. */
export function BringInView({ source, onGiven, onDone }: Props) {
    return (
        <main aria-label="Import pages" className="flex h-full min-h-0">
            {source === null ? (
                <div className="flex min-w-0 flex-1 flex-col">
                    <div className="flex h-14 shrink-0 items-center border-b border-line px-8">
                        <PageTitle>Import pages</PageTitle>
                    </div>
                    <Give onGiven={onGiven} />
                </div>
            ) : (
                <Given key={source} id={source} onGiven={onGiven} onDone={onDone} />
            )}
        </main>
    )
}

function Given({ id, onGiven, onDone }: { id: string; onGiven: Props['onGiven']; onDone: () => void }) {
    const reading = useSource(id)
    const source = reading.data
    const acts = useSourceActs(id)
    const leave = () => onGiven(null)
    if (reading.error !== null)
        return (
            <div className="p-8">
                <ReadFailure of={reading} />
                <Button className="mt-3" onClick={leave}>
                    Upload something else
                </Button>
            </div>
        )
    if (source === undefined) return null
    return (
        <>
            <div className="flex w-[288px] shrink-0 flex-col border-r border-line">
                <div className="min-h-0 flex-1 overflow-y-auto px-4 pt-4 pb-6">
                    <PageTitle>Import pages</PageTitle>
                    <p className="mt-1 mb-4 text-[13px] break-words text-ink-2">
                        {source.name}
                        {source.pages > 0 && ` · ${count(source.pages, 'page')}`}
                    </p>
                    {source.state !== 'applied' && source.state !== 'applying' && (
                        <SourceForm source={source} acts={acts} />
                    )}
                </div>
                {(source.state === 'ready' || source.state === 'failed') && (
                    <div className="flex flex-wrap gap-2 border-t border-line px-4 py-3">
                        <Button onClick={leave}>Upload something else</Button>
                        <Button
                            variant="quiet"
                            disabled={acts.discard.isPending}
                            onClick={() => acts.discard.mutate(undefined, { onSuccess: leave })}
                        >
                            Discard
                        </Button>
                    </div>
                )}
            </div>
            <Stage source={source} acts={acts} onGiven={onGiven} onDone={onDone} />
        </>
    )
}

function Stage({
    source,
    acts,
    onGiven,
    onDone,
}: {
    source: Source
    acts: ReturnType<typeof useSourceActs>
    onGiven: Props['onGiven']
    onDone: () => void
}) {
    if (source.state === 'ready') return <LookedOver source={source} acts={acts} />
    if (source.state === 'applied')
        return (
            <div className="grid flex-1 content-start justify-items-start gap-3 px-8 py-8">
                <p role="status" className="text-[16px]">
                    Imported. The history can undo it as a whole.
                </p>
                <div className="flex gap-2">
                    <Button variant="main" onClick={onDone}>
                        See the outline
                    </Button>
                    <Button onClick={() => onGiven(null)}>Import something else</Button>
                </div>
            </div>
        )
    if (source.state === 'failed')
        return (
            <div className="min-w-0 flex-1 px-8 py-8">
                <Alert>{source.problem}</Alert>
                <p className="mt-3 max-w-[560px] text-ink-2">
                    It was read as {formats.find(([format]) => format === source.format)?.[1] ?? 'nothing known'}.
                    Choose another way to read it on the left, or give something else.
                </p>
            </div>
        )
    const isReading = source.state === 'reading'
    return (
        <div className="grid flex-1 content-start gap-3 px-8 py-8">
            <p role="status">
                {isReading ? (
                    <>
                        Reading it. You may go on with something else meanwhile. Pages so far:{' '}
                        <b className="font-semibold tabular-nums">{source.done.toLocaleString('en-GB')}</b>
                    </>
                ) : (
                    <>
                        Importing {count(source.pages, 'page')} in one step. You may go on with something else
                        meanwhile.
                    </>
                )}
            </p>
            <progress aria-label={isReading ? 'Pages read' : 'Pages imported'} className="track max-w-[420px]" />
            {isReading && (
                <div>
                    <Button
                        disabled={acts.discard.isPending}
                        onClick={() => acts.discard.mutate(undefined, { onSuccess: () => onGiven(null) })}
                    >
                        Stop
                    </Button>
                </div>
            )}
        </div>
    )
}
