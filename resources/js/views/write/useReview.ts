import { useQuery } from '@tanstack/react-query'
import type { Editor } from '@tiptap/react'
import { useEffect, useState } from 'react'
import { answered, api } from '../../api/client'
import { documentOf } from '../../app/document'

/** How long after the last key the content is looked over, ms. */
const PAUSE = 700

const unknown = { words: 0, notes: [], refused: null }

/** What the server says of the content as it is typed: its words, and what may be mended. The last answer stands until the next. */
export function useReview(site: string, page: string, editor: Editor) {
    const [count, setCount] = useState(0)
    useEffect(() => {
        let timer: ReturnType<typeof setTimeout> | undefined
        const typed = () => {
            clearTimeout(timer)
            timer = setTimeout(() => setCount(before => before + 1), PAUSE)
        }
        editor.on('update', typed)
        return () => {
            clearTimeout(timer)
            editor.off('update', typed)
        }
    }, [editor])
    const { data } = useQuery({
        queryKey: ['site', site, 'reviewed', page, count],
        queryFn: ({ signal }) =>
            answered(
                api.POST('/sites/{site}/pages/{page}/reviewed', {
                    params: { path: { site, page } },
                    body: { document: documentOf(editor.getJSON()) },
                    signal,
                }),
            ),
        placeholderData: previous => previous,
        gcTime: 0,
        staleTime: Infinity,
    })
    return data ?? unknown
}
