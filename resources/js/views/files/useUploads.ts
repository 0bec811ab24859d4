import { useQueryClient } from '@tanstack/react-query'
import { useCallback, useRef, useState } from 'react'
import { keys } from '../../api/queries'
import { sendFile } from './files'

export type Upload = {
    id: number
    name: string
    share: number
    state: 'waiting' | 'sending' | 'done' | 'failed'
    reason?: string
}

/** Sends dropped files one after the other, with how far each is; what waits or is on its way can be stopped. */
export function useUploads(site: string) {
    const queries = useQueryClient()
    const [uploads, setUploads] = useState<Upload[]>([])
    const waiting = useRef<{ id: number; file: File; folder: string }[]>([])
    const running = useRef<AbortController | null>(null)
    const last = useRef(0)
    const set = (id: number, change: Partial<Upload>) =>
        setUploads(before => before.map(each => (each.id === id ? { ...each, ...change } : each)))
    const run = useCallback(async () => {
        if (running.current !== null) return
        for (let next = waiting.current.shift(); next !== undefined; next = waiting.current.shift()) {
            const { id, file, folder } = next
            running.current = new AbortController()
            set(id, { state: 'sending' })
            try {
                await sendFile(
                    `${site}/documents`,
                    file,
                    { folder },
                    share => set(id, { share }),
                    running.current.signal,
                )
                set(id, { state: 'done', share: 1 })
            } catch (problem) {
                set(id, { state: 'failed', reason: problem instanceof Error ? problem.message : 'It was not taken.' })
            }
        }
        running.current = null
        void queries.invalidateQueries({ queryKey: keys.site(site) })
    }, [queries, site])
    return {
        uploads,
        send: (files: File[], folder: string) => {
            const given = files.map(file => ({ id: ++last.current, file, folder }))
            waiting.current.push(...given)
            setUploads(before => [
                ...before.filter(each => each.state === 'waiting' || each.state === 'sending'),
                ...given.map(({ id, file }) => ({ id, name: file.name, share: 0, state: 'waiting' as const })),
            ])
            void run()
        },
        stop: () => {
            for (const { id } of waiting.current.splice(0)) set(id, { state: 'failed', reason: 'Stopped.' })
            running.current?.abort()
        },
        clear: () => setUploads([]),
    }
}
