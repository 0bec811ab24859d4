import { useQuery } from '@tanstack/react-query'
import { Upload } from 'lucide-react'
import { useMemo, useRef, useState, type DragEvent } from 'react'
import { filesInFoldersQuery } from '../../api/viewQueries'
import type { FilesSearch } from '../../app/filesSearch'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { PageTitle } from '../../ui/PageTitle'
import { ReadFailure } from '../../ui/ReadFailure'
import { FileFilter } from './FileFilter'
import { FileGrid } from './FileGrid'
import { FilePanel } from './FilePanel'
import { filtered, foldersOf, type SiteFile } from './files'
import { Folders } from './Folders'
import { PartSwitch } from './PartSwitch'
import { ReplaceDialog } from './ReplaceDialog'
import { Uploads } from './Uploads'
import { useUploads } from './useUploads'

type Props = { search: FilesSearch; set: (change: Partial<FilesSearch>) => void }

const none: SiteFile[] = []

/** Every picture and document of the site, where it is used, and what is done with it. */
export function FilesView({ search, set }: Props) {
    const site = useSite()
    const all = useQuery(filesInFoldersQuery(site.key))
    const files = all.data ?? none
    const shown = useMemo(() => filtered(files, search), [files, search])
    const folders = useMemo(() => foldersOf(files), [files])
    const { uploads, send, stop, clear } = useUploads(site.key)
    const [replacing, replace] = useState<{ file: SiteFile; by: File } | null>(null)
    const [isOver, setOver] = useState(false)
    const input = useRef<HTMLInputElement>(null)
    const folder = search.folder === undefined || search.folder === '/' ? '' : search.folder
    const opened = files.find(file => file.id === search.file)
    const over = (event: DragEvent) => {
        if (!site.writes || !event.dataTransfer.types.includes('Files')) return
        event.preventDefault()
        setOver(true)
    }
    const dropped = (event: DragEvent) => {
        setOver(false)
        if (!site.writes || event.dataTransfer.files.length === 0) return
        event.preventDefault()
        send([...event.dataTransfer.files], folder)
    }
    const here = files.filter(file => file.binned === null)
    return (
        <div className="flex h-full min-h-0">
            <main
                className="relative flex min-w-0 flex-1 flex-col"
                onDragOver={over}
                onDragLeave={() => setOver(false)}
                onDrop={dropped}
            >
                <div className="flex h-14 shrink-0 items-center gap-3.5 px-4">
                    <PageTitle>Files</PageTitle>
                    <PartSwitch part="files" />
                    <span className="text-ink-2">{all.data !== undefined && count(here.length, 'file')}</span>
                    <span className="ml-auto" />
                    {site.writes && (
                        <>
                            <Button variant="main" onClick={() => input.current?.click()}>
                                <Upload size={15} aria-hidden />
                                Upload files
                            </Button>
                            <input
                                ref={input}
                                type="file"
                                multiple
                                aria-label="Files to upload"
                                className="sr-only"
                                tabIndex={-1}
                                onChange={event => {
                                    send([...(event.target.files ?? [])], folder)
                                    event.target.value = ''
                                }}
                            />
                        </>
                    )}
                </div>
                <FileFilter search={search} set={set} />
                <ReadFailure of={all} />
                <div className="flex min-h-0 flex-1 border-t border-line">
                    <Folders folders={folders} total={here.length} search={search} set={set} />
                    <div className="flex min-w-0 flex-1 flex-col pt-2">
                        {all.data !== undefined && shown.length === 0 ? (
                            <div className="grid gap-2 p-6">
                                <Muted>
                                    {files.length === 0
                                        ? 'Pictures and documents of the site are kept here. Drop some, or upload them.'
                                        : search.use === 'binned'
                                          ? 'The bin is empty.'
                                          : 'No files match. Remove a filter.'}
                                </Muted>
                            </div>
                        ) : (
                            <FileGrid
                                files={shown}
                                chosen={search.file}
                                canReplace={site.may('files')}
                                onOpen={file => set({ file: file.id })}
                                onReplace={(file, by) => replace({ file, by })}
                            />
                        )}
                    </div>
                </div>
                {/* At the bottom: the files stay where they are. */}
                {uploads.length > 0 && <Uploads uploads={uploads} onStop={stop} onClose={clear} />}
                {isOver && (
                    <p className="pointer-events-none absolute inset-x-4 bottom-4 rounded-md bg-heron px-4 py-2.5 text-center font-semibold text-white shadow-float">
                        Drop to upload{folder === '' ? '' : ` into ${folder}`}, or onto a file to replace it
                    </p>
                )}
            </main>
            {search.file !== undefined && (
                <FilePanel
                    id={search.file}
                    folders={folders.map(([path]) => path)}
                    onClose={() => set({ file: undefined })}
                    onReplace={by => opened !== undefined && replace({ file: opened, by })}
                />
            )}
            {replacing !== null && <ReplaceDialog site={site.key} {...replacing} onClose={() => replace(null)} />}
        </div>
    )
}
