import { EditorContent } from '@tiptap/react'
import { useEffect, useMemo, useState, type ReactNode } from 'react'
import type { Schemas } from '../../api/client'
import { BlockSettings } from '../../app/content/BlockSettings'
import { WritingPlace, type OpenSettings } from '../../app/content/settings'
import { Toolbar } from '../../app/content/Toolbar'
import { useOthers } from '../../app/content/useOthers'
import { useWriting } from '../../app/content/useWriting'
import { VersionNote } from '../../app/content/VersionNote'
import { OthersHere, WritingNotices, writingStatus } from '../../app/content/WritingNotices'
import { mayOn, useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { useSaveKey } from './useSaveKey'

type Props = {
    sheet: Schemas['PageSheet']
    first: Schemas['Content']
    onUnsaved: (unsaved: boolean) => void
    visible: boolean
    children: ReactNode
}

/** Content for quick edits, in the width of the sheet; above it a row for what else can be done, and for who else is here. */
export function WritingField({ sheet, first, onUnsaved, visible, children }: Props) {
    const site = useSite()
    const writes = mayOn(sheet, 'write')
    const writing = useWriting(sheet.id, first, { writes, withTexts: false })
    const others = useOthers(site.key, sheet.id, visible && writes, first)
    const [settings, setSettings] = useState<OpenSettings | null>(null)
    const { editor, dirty, saving } = writing
    useEffect(() => onUnsaved(dirty), [dirty, onUnsaved])
    useSaveKey(dirty && visible ? writing.save : null)
    const place = useMemo(
        () => ({ inRoom: false, site: site.key, page: sheet.id, edit: setSettings }),
        [sheet.id, site.key],
    )
    return (
        <WritingPlace.Provider value={place}>
            <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
                <div className="flex h-[38px] items-center gap-3">
                    {children}
                    <OthersHere
                        writing={writing}
                        others={others}
                        className="line-clamp-2 px-2 py-0.5 text-[12px] leading-[17px]"
                    />
                </div>
                <WritingNotices writing={writing} />
                {writes && <Toolbar editor={editor} onSettings={setSettings} />}
                <EditorContent editor={editor} className="rounded-md border border-line focus-within:border-heron" />
                {saving.problem !== null && <Alert>{saving.problem}</Alert>}
                {dirty && writes && (
                    <div className="flex items-center gap-3">
                        <VersionNote
                            writing={writing}
                            placeholder="What changed? (for the versions)"
                            minor="minor"
                            choiceClasses="whitespace-nowrap"
                        />
                    </div>
                )}
                <div className="flex items-center gap-2">
                    <p role="status" className="text-[12px] text-ink-3">
                        {writingStatus(writing)}
                    </p>
                    <span className="ml-auto" />
                    {writes && (
                        <Button
                            variant={dirty ? 'main' : 'plain'}
                            disabled={!dirty || saving.busy}
                            onClick={writing.save}
                        >
                            Save content
                        </Button>
                    )}
                </div>
            </div>
            {settings !== null && (
                <BlockSettings editor={editor} settings={settings} onClose={() => setSettings(null)} />
            )}
        </WritingPlace.Provider>
    )
}
