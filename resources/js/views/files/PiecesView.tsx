import { useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { useState } from 'react'
import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'
import type { FilesSearch } from '../../app/filesSearch'
import { pieceQuery, piecesQuery } from '../../app/pieces'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { PageTitle } from '../../ui/PageTitle'
import { ReadFailure } from '../../ui/ReadFailure'
import { PartSwitch } from './PartSwitch'
import { PieceEditor } from './PieceEditor'

type Props = { search: FilesSearch; set: (change: Partial<FilesSearch>) => void }

/** Content that is written once and shown on many pages: which pieces there are, on which pages, and what they say. */
export function PiecesView({ search, set }: Props) {
    const site = useSite()
    const pieces = useQuery(piecesQuery(site.key))
    const isNew = search.piece === 'new'
    const opened = useQuery({
        ...pieceQuery(site.key, search.piece ?? ''),
        enabled: search.piece !== undefined && !isNew,
    })
    const [dirty, setDirty] = useState(false)
    const open = (piece: string | undefined) => set({ piece })
    return (
        <main className="flex h-full min-h-0 flex-col">
            <div className="flex h-14 shrink-0 items-center gap-3.5 border-b border-line px-4">
                <PageTitle>Files</PageTitle>
                <PartSwitch part="pieces" />
                <span className="ml-auto" />
                {site.may('files') && (
                    <Button variant="main" onClick={() => open('new')}>
                        Make a piece
                    </Button>
                )}
            </div>
            <div className="flex min-h-0 flex-1">
                <div className="w-[280px] shrink-0 overflow-y-auto border-r border-line p-2">
                    <ReadFailure of={pieces} />
                    {pieces.data?.length === 0 && (
                        <p className="p-2 text-ink-2">
                            A shared piece is content that is written once and shown on many pages: opening hours, a
                            notice, how to reach you. Make one, and put it into pages as a block.
                        </p>
                    )}
                    <ul aria-label="Shared pieces">
                        {(pieces.data ?? []).map(piece => (
                            <li key={piece.id}>
                                <button
                                    type="button"
                                    aria-current={search.piece === piece.id}
                                    onClick={() => open(piece.id)}
                                    className={clsx(
                                        'flex w-full items-baseline gap-2 rounded px-2.5 py-1.5 text-left',
                                        search.piece === piece.id ? 'bg-heron-soft' : 'hover:bg-sunk',
                                    )}
                                >
                                    <span className="min-w-0 flex-1 truncate font-semibold">{piece.name}</span>
                                    <span className="text-[12px] text-ink-3">{count(piece.uses, 'page')}</span>
                                </button>
                            </li>
                        ))}
                    </ul>
                </div>
                <div className="min-w-0 flex-1 overflow-y-auto px-6 py-4">
                    {search.piece === undefined && <Muted>Choose a piece to read or change it.</Muted>}
                    <ReadFailure of={opened} />
                    {isNew && <PieceEditor key="new" piece={null} onDirty={setDirty} onDone={open} />}
                    {!isNew && opened.data !== undefined && opened.isFetchedAfterMount && (
                        <PieceEditor
                            key={`${opened.data.id} ${opened.data.number}`}
                            piece={opened.data}
                            onDirty={setDirty}
                            onDone={open}
                        />
                    )}
                </div>
            </div>
            <AskBeforeLeaving
                unsaved={dirty}
                part="piece"
                title="Leave with an unsaved piece?"
                description="What you typed here is not saved yet, and would be lost."
                leave="Leave without saving"
            />
        </main>
    )
}
