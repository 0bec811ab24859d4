import { Plus } from 'lucide-react'
import { useState } from 'react'
import { ulid } from '../../api/ulid'
import { FileDialog } from '../../app/FileChooser'
import { PickPage } from '../../app/PickPage'
import { Button } from '../../ui/Button'
import { Modal } from '../../ui/Modal'
import { toPage, type Entry, type Kind } from './arrangement'
import { kinds } from './labels'

/** Adds an entry of any kind; of picks, a page. */
export function AddEntry({ picks, onAdd }: { picks: boolean; onAdd: (entry: Entry) => void }) {
    const [choosing, setChoosing] = useState(false)
    const [picking, setPicking] = useState<'page' | 'branch' | 'file' | null>(null)
    const add = (kind: Kind) => {
        setChoosing(false)
        if (kind === 'page' || kind === 'branch' || kind === 'file') setPicking(kind)
        else
            onAdd({
                id: ulid(),
                kind,
                ...(kind === 'separator' ? {} : { label: kind === 'heading' ? 'Heading' : 'New entry' }),
                ...(kind === 'url' ? { url: 'https://' } : {}),
                ...(kind === 'address' ? { address: '/' } : {}),
            })
    }
    return (
        <>
            <Button onClick={() => (picks ? setPicking('page') : setChoosing(true))}>
                <Plus size={15} aria-hidden />
                {picks ? 'Pick a page' : 'Add an entry'}
            </Button>
            <Modal open={choosing} onClose={() => setChoosing(false)} title="Add an entry" width={420}>
                <ul className="grid gap-1">
                    {kinds.map(([kind, word, says]) => (
                        <li key={kind}>
                            <button
                                type="button"
                                onClick={() => add(kind)}
                                className="grid w-full grid-cols-[96px_1fr] items-baseline rounded px-2 py-1.5 text-left hover:bg-heron-soft"
                            >
                                <b className="font-semibold">{word}</b>
                                <span className="text-ink-2">{says}</span>
                            </button>
                        </li>
                    ))}
                </ul>
            </Modal>
            <PickPage
                open={picking === 'page' || picking === 'branch'}
                top={picking === 'branch'}
                title={picking === 'branch' ? 'Fill it with the pages inside…' : picks ? 'Pick a page' : 'Which page'}
                onClose={() => setPicking(null)}
                onPick={page => {
                    const top = page.id === 'top'
                    onAdd(
                        picking === 'branch'
                            ? {
                                  id: ulid(),
                                  kind: 'branch',
                                  page: top ? null : page.id,
                                  pageName: top ? null : page.name,
                                  depth: 1,
                              }
                            : toPage(page),
                    )
                    setPicking(null)
                }}
            />
            {picking === 'file' && (
                <FileDialog
                    title="Which file"
                    onClose={() => setPicking(null)}
                    onFile={file => {
                        onAdd({
                            id: ulid(),
                            kind: 'file',
                            file: file.id,
                            fileName: file.name,
                            label: file.name.replace(/\.[a-z0-9]+$/i, ''),
                        })
                        setPicking(null)
                    }}
                />
            )}
        </>
    )
}
