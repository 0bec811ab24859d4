import type { JSONContent } from '@tiptap/react'
import { documentOf } from '../document'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { answered, api, type Schemas } from '../../api/client'

const WAIT = 2_000

type Kept = { document: JSONContent; basedOn: number; texts?: Schemas['TypedTexts'] }

/** Keeps what is being typed: on the server every few seconds, and when the page is left. */
export function useDraft(site: string, page: string) {
    const [kept, setKept] = useState<string | null>(null)
    const waiting = useRef<Kept | null>(null)
    const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
    const again = useRef<() => void>(() => undefined)
    const params = useMemo(() => ({ path: { site, page } }), [page, site])

    const send = useCallback(async () => {
        clearTimeout(timer.current)
        timer.current = undefined
        const body = waiting.current
        if (body === null) return
        waiting.current = null
        try {
            await answered(
                api.PUT('/sites/{site}/pages/{page}/draft', {
                    params,
                    body: { ...body, document: documentOf(body.document) },
                    keepalive: JSON.stringify(body).length < 60_000,
                }),
            )
            setKept(new Date().toISOString())
        } catch {
            // Not kept this time; the next keystroke, or the next try in a moment, sends it again.
            waiting.current ??= body
            timer.current = setTimeout(() => again.current(), WAIT * 2)
        }
    }, [params])

    useEffect(() => {
        again.current = () => void send()
        const hidden = () => document.visibilityState === 'hidden' && void send()
        document.addEventListener('visibilitychange', hidden)
        return () => {
            document.removeEventListener('visibilitychange', hidden)
            void send()
        }
    }, [send])

    return useMemo(
        () => ({
            kept,
            keep: (document: JSONContent, basedOn: number, texts?: Schemas['TypedTexts']) => {
                waiting.current = { document, basedOn, ...(texts === undefined ? {} : { texts }) }
                timer.current ??= setTimeout(() => void send(), WAIT)
            },
            /** What was typed has been saved: nothing more to keep. */
            forget: () => {
                clearTimeout(timer.current)
                timer.current = undefined
                waiting.current = null
                setKept(null)
            },
            drop: () => answered(api.DELETE('/sites/{site}/pages/{page}/draft', { params })).catch(() => undefined),
        }),
        [kept, params, send],
    )
}
