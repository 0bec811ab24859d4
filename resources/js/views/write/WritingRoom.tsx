import { useQuery } from '@tanstack/react-query'
import clsx from 'clsx'
import { useCallback, useMemo, useState } from 'react'
import type { Schemas } from '../../api/client'
import { pageQuery } from '../../api/queries'
import { contentQuery } from '../../api/viewQueries'
import { AskBeforeLeaving } from '../../app/AskBeforeLeaving'
import { useChanges } from '../../app/changes'
import { BlockPalette } from '../../app/content/BlockPalette'
import { BlockSettings } from '../../app/content/BlockSettings'
import { WritingPlace, type OpenSettings } from '../../app/content/settings'
import { useOthers } from '../../app/content/useOthers'
import { useWriting } from '../../app/content/useWriting'
import { FieldsPanel } from '../../app/fields/FieldsPanel'
import { Preview } from '../../app/Preview'
import { mayOn, useSite } from '../../app/site'
import type { RoomSearch } from '../../app/writeSearch'
import { ReadFailure } from '../../ui/ReadFailure'
import { Modal } from '../../ui/Modal'
import { useKey } from '../../ui/useKey'
import { NameBlock } from './NameBlock'
import { RoomBar } from './RoomBar'
import { RoomFrame } from './RoomFrame'
import { RoomSide } from './RoomSide'
import { RoomTools } from './RoomTools'
import { SourceDialog } from './SourceDialog'
import { showAnew } from './showAnew'
import { useReview } from './useReview'

type Props = { page: string; search: RoomSearch; set: (change: Partial<RoomSearch>) => void }

/** The page as visitors see it, written in place. */
export function WritingRoom(props: Props) {
    const site = useSite()
    const sheet = useQuery(pageQuery(site.key, props.page))
    const content = useQuery({
        ...contentQuery(site.key, props.page),
        staleTime: Infinity,
        refetchOnMount: 'always',
        refetchOnWindowFocus: false,
    })
    if (sheet.data === undefined || content.data === undefined || !content.isFetchedAfterMount)
        return (
            <div className="p-5">
                <ReadFailure of={sheet} />
                <ReadFailure of={content} />
                {sheet.error === null && content.error === null && (
                    <p role="status" className="text-ink-3">
                        Reading the page…
                    </p>
                )}
            </div>
        )
    return <Room {...props} loaded={sheet.data} first={content.data} />
}

type Loaded = { sheet: Schemas['PageSheet']; etag: string }

const widths = { tablet: 820, phone: 390 }

function Room({ page, search, set, loaded, first }: Props & { loaded: Loaded; first: Schemas['Content'] }) {
    const { sheet } = loaded
    const site = useSite()
    const { pending } = useChanges()
    // What is proposed is decided below the view: it must be seen.
    const isFull = search.full === true && pending === null
    const [putting, setPutting] = useState(false)
    const writes = mayOn(sheet, 'write')
    const writing = useWriting(page, first, { writes, withTexts: true, onSlash: () => setPutting(true) })
    const { editor, dirty } = writing
    const others = useOthers(site.key, page, writes, first)
    const review = useReview(site.key, page, editor)
    const [frame, setFrame] = useState<Document | null>(null)
    const [settings, setSettings] = useState<OpenSettings | null>(null)
    const [naming, setNaming] = useState<number | null>(null)
    const [previewed, setPreviewed] = useState(false)
    const [source, setSource] = useState(false)
    const [filling, fill] = useState(false)
    const hasFields = sheet.layoutFields.length > 0
    const address = `/room/${site.key}/${page}`
    useKey('mod+s', dirty ? writing.save : null, 'everywhere')
    const place = useMemo(() => ({ inRoom: true, site: site.key, page, edit: setSettings }), [page, site.key])
    const put = useCallback(() => setPutting(true), [])
    return (
        <WritingPlace.Provider value={place}>
            <main
                aria-label={`Writing ${sheet.name}`}
                className={clsx('flex h-full min-h-0 flex-col bg-sheet', isFull && 'fixed inset-0 z-30')}
            >
                <RoomBar
                    sheet={sheet}
                    writing={writing}
                    words={review.words}
                    search={search}
                    set={set}
                    onPut={put}
                    onPreview={() => setPreviewed(true)}
                    onSource={() => setSource(true)}
                    onFields={hasFields ? () => fill(true) : null}
                />
                <div className="flex min-h-0 flex-1">
                    <RoomFrame
                        address={address}
                        title={`${sheet.name}, as it looks`}
                        width={search.screen === undefined ? null : widths[search.screen]}
                        writing={writing}
                        editable={writes}
                        onFrame={setFrame}
                        tools={
                            frame !== null &&
                            writes && (
                                <RoomTools
                                    editor={editor}
                                    frame={frame}
                                    notes={review.notes}
                                    onPut={put}
                                    onSettings={setSettings}
                                    onName={setNaming}
                                />
                            )
                        }
                    />
                    <RoomSide writing={writing} others={others} review={review} />
                </div>
            </main>
            {putting && <BlockPalette editor={editor} onClose={() => setPutting(false)} onSettings={setSettings} />}
            {settings !== null && (
                <BlockSettings editor={editor} settings={settings} onClose={() => setSettings(null)} />
            )}
            {naming !== null && <NameBlock editor={editor} at={naming} onClose={() => setNaming(null)} />}
            {source && <SourceDialog editor={editor} page={page} onClose={() => setSource(false)} />}
            {filling && (
                <Modal open onClose={() => fill(false)} title={`Fields of ${sheet.name}`} width={560}>
                    <FieldsPanel
                        loaded={loaded}
                        onSaved={() => {
                            fill(false)
                            if (frame !== null) void showAnew(frame, address)
                        }}
                    />
                </Modal>
            )}
            <Preview open={previewed} onClose={() => setPreviewed(false)} page={sheet} />
            <AskBeforeLeaving
                unsaved={dirty}
                part="page"
                title="Leave with unsaved content?"
                description="What you typed is kept as your draft and offered when you come back. Visitors and others do not see it."
                leave="Leave, keep my draft"
            />
        </WritingPlace.Provider>
    )
}
