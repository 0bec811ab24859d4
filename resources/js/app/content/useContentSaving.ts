import { useMutation } from '@tanstack/react-query'
import type { JSONContent } from '@tiptap/react'
import { useState } from 'react'
import { documentOf } from '../document'
import { notify } from '../notify'
import { answered, api, ApiProblem, type Schemas } from '../../api/client'

type Said = {
    note: string
    minor: boolean
    texts?: Schemas['TypedTexts']
    textsBefore?: Schemas['TypedTexts']
}
type Saved = Said & { document: JSONContent; basedOn: number }

/** Saves content against the version it was begun from; somebody else's newer version comes back as a conflict. */
export function useContentSaving(site: string, page: string, onSaved: (words: Schemas['Content']) => void) {
    const [conflict, setConflict] = useState<Schemas['Content'] | null>(null)
    const params = { path: { site, page } }
    const saving = useMutation({
        mutationFn: ({ document, basedOn, ...said }: Saved) =>
            answered(
                api.PUT('/sites/{site}/pages/{page}/content', {
                    params: { ...params, header: { 'If-Match': String(basedOn) } },
                    body: { document: documentOf(document), ...said },
                }),
            ),
        onSuccess: words => {
            setConflict(null)
            notify.success('Content saved.')
            onSaved(words)
        },
        onError: problem => {
            if (problem instanceof ApiProblem && problem.problem.theirs !== undefined)
                setConflict(problem.problem.theirs)
        },
    })
    const problem = saving.error
    return {
        save: (document: JSONContent, basedOn: number, said: Said = { note: '', minor: false }) =>
            saving.mutate({ document, basedOn, ...said }),
        busy: saving.isPending,
        conflict,
        dismiss: () => setConflict(null),
        problem: problem === null || (problem instanceof ApiProblem && problem.status === 412) ? null : problem.message,
    }
}
