import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button, buttonClasses } from '../../ui/Button'
import { Modal } from '../../ui/Modal'
import { Alert } from '../../ui/Alert'
import { Choice } from '../../ui/Choice'

type Server = 'nginx' | 'apache'

const files: Record<Server, [string, string, string][]> = {
    nginx: [
        ['nginx-maps', 'Maps', 'Into the http block: include it there. New redirects change only this one.'],
        ['nginx-server', 'Server lines', 'Into the server block, before its locations. The same for every site.'],
    ],
    apache: [
        ['apache-map', 'Table', 'Where the rules look for it: conf/heronstem-redirects.map below Apache’s own folder.'],
        ['apache-rules', 'Rules', 'Into the virtual host. They need mod_rewrite.'],
    ],
}

/** Redirects as files for a web server: where each goes, and before anything is saved what it cannot carry. */
export function ServerFiles({ onClose }: { onClose: () => void }) {
    const site = useSite()
    const [server, setServer] = useState<Server>('nginx')
    const { data: notes, error } = useQuery({
        queryKey: [...keys.addresses(site.key), 'not-carried', server],
        queryFn: () =>
            answered(
                api.GET('/sites/{site}/redirects-not-carried', {
                    params: { path: { site: site.key }, query: { server } },
                }),
            ),
    })
    return (
        <Modal
            open
            onClose={onClose}
            title="Redirects for a web server"
            description="The server answers every address as this site does, with one step. Both files keep the rules in comments, so that they can be brought in again as they were."
            width={600}
        >
            <div role="radiogroup" aria-label="Web server" className="flex gap-4">
                {(['nginx', 'apache'] as const).map(each => (
                    <Choice
                        key={each}
                        type="radio"
                        name="web-server"
                        checked={server === each}
                        onChange={() => setServer(each)}
                    >
                        {each === 'nginx' ? 'nginx' : 'Apache'}
                    </Choice>
                ))}
            </div>
            <ul className="mt-3 grid gap-2.5 border-t border-line pt-3">
                {files[server].map(([format, word, where]) => (
                    <li key={format} className="flex items-center gap-4">
                        <span className="min-w-0 flex-1">
                            <b className="block font-semibold">{word}</b>
                            <span className="block text-[13px] text-ink-2">{where}</span>
                        </span>
                        <a
                            href={`/api/v1/sites/${site.key}/redirects-export?format=${format}`}
                            download
                            className={buttonClasses()}
                        >
                            Save {word.toLowerCase()}
                        </a>
                    </li>
                ))}
            </ul>
            {error !== null && <Alert className="mt-3">{error.message}</Alert>}
            {notes !== undefined && (
                <section aria-label="Not exported" className="mt-4 border-t border-line pt-3">
                    <h3 className="font-semibold">
                        {notes.length === 0 ? 'Everything can be exported' : 'What a web server cannot do'}
                    </h3>
                    <ul
                        tabIndex={0}
                        className="mt-1 grid max-h-[24vh] list-disc gap-1 overflow-y-auto pl-5 text-[13px] text-ink-2"
                    >
                        {notes.map(note => (
                            <li key={note}>{note}</li>
                        ))}
                    </ul>
                </section>
            )}
            <div className="mt-4 flex justify-end">
                <Button onClick={onClose}>Close</Button>
            </div>
        </Modal>
    )
}
