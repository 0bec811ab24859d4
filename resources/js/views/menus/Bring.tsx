import { useState } from 'react'
import { answered, api, ApiProblem } from '../../api/client'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { TextFile } from '../../ui/TextFile'
import type { Entry } from './arrangement'
import { Alert } from '../../ui/Alert'

/** Brings entries in: from a menu file, an OPML outline, or an indented list that is pasted. */
export function Bring({
    site,
    menu,
    open,
    onClose,
    onEntries,
}: {
    site: string
    menu: string
    open: boolean
    onClose: () => void
    onEntries: (entries: Entry[]) => void
}) {
    const [text, setText] = useState('')
    const [problem, setProblem] = useState('')
    const read = async () => {
        try {
            const found = await answered(
                api.POST('/sites/{site}/menus/{menu}/read', { params: { path: { site, menu } }, body: { text } }),
            )
            onEntries(found.entries)
            setText('')
            setProblem('')
            onClose()
        } catch (error) {
            setProblem(error instanceof ApiProblem ? error.message : String(error))
        }
    }
    return (
        <Modal
            open={open}
            onClose={onClose}
            title="Import entries"
            description="Paste a list, one label or address a line, indented where it stands under another; or choose a menu file (JSON) or an OPML outline. What is known here becomes an entry to its page."
            width={560}
        >
            <textarea
                aria-label="List of entries"
                value={text}
                onChange={event => setText(event.target.value)}
                rows={10}
                className={`${inputClasses} font-mono text-[13px]`}
                placeholder={'Travel\n    /travel/timetables\n    Fares\nHelp'}
            />
            {problem !== '' && <Alert className="mt-1 text-[12px]">{problem}</Alert>}
            <div className="mt-3 flex items-center justify-between gap-2">
                <TextFile label="Menu file" accept=".json,.opml,.xml,.txt" onText={setText} />
                <span className="flex gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button variant="main" disabled={text.trim() === ''} onClick={() => void read()}>
                        Add these entries
                    </Button>
                </span>
            </div>
        </Modal>
    )
}
