import { FileDialog } from '../../app/FileChooser'
import { PickPage } from '../../app/PickPage'
import type { Changed, Entry } from './arrangement'

/** What is being chosen for an entry. */
export type Picking = 'page' | 'exception' | 'file' | 'picture'

type Props = {
    entry: Entry
    picking: Picking | null
    onChange: (fields: Changed) => void
    onClose: () => void
}

/** Choosing the page, file or picture of an entry, or a page that its branch leaves out. */
export function EntryPickers({ entry, picking, onChange, onClose }: Props) {
    const choose = (fields: Changed) => {
        onChange(fields)
        onClose()
    }
    return (
        <>
            <PickPage
                open={picking === 'page' || picking === 'exception'}
                title={picking === 'page' ? 'Where the entry leads' : 'Leave a page out'}
                top={entry.kind === 'branch' && picking === 'page'}
                onClose={onClose}
                onPick={page => {
                    const isTop = page.id === 'top'
                    if (picking === 'page') choose({ page: isTop ? null : page.id, pageName: isTop ? null : page.name })
                    else
                        choose({
                            out: [...new Set([...(entry.out ?? []), page.id])],
                            exceptions: [...(entry.exceptions ?? []), page],
                        })
                }}
            />
            {picking === 'file' && (
                <FileDialog
                    title="Where the entry leads"
                    onClose={onClose}
                    onFile={file => choose({ file: file.id, fileName: file.name })}
                />
            )}
            {picking === 'picture' && (
                <FileDialog
                    pictures
                    title="Picture on the card"
                    onClose={onClose}
                    onFile={file => choose({ picture: file.id })}
                />
            )}
        </>
    )
}
