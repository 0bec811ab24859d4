import { useQuery } from '@tanstack/react-query'
import { lazy, Suspense } from 'react'
import type { Schemas } from '../../api/client'
import { wordsQuery } from '../../api/queries'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'

// The editor of words is the heaviest part by far: it is fetched when words are first opened.
const WritingField = lazy(() => import('./WritingField').then(module => ({ default: module.WritingField })))

type Props = { sheet: Schemas['PageSheet']; onUnsaved: (unsaved: boolean) => void; visible: boolean }

/** The words of the page: read once, then written on, with others' writing looked after. */
export function Words(props: Props) {
    const site = useSite()
    const words = useQuery({
        ...wordsQuery(site.key, props.sheet.id),
        staleTime: Infinity,
        refetchOnMount: 'always',
        refetchOnWindowFocus: false,
    })
    if (words.error !== null) {
        return (
            <div role="alert" className="grid gap-2">
                <p>The words could not be read. {words.error.message}</p>
                <div>
                    <Button onClick={() => void words.refetch()}>Try again</Button>
                </div>
            </div>
        )
    }
    const reading = (
        <p role="status" className="text-ink-3">
            Reading the words…
        </p>
    )
    if (words.data === undefined || !words.isFetchedAfterMount) return reading
    return (
        <Suspense fallback={reading}>
            <WritingField key={props.sheet.id} {...props} first={words.data} />
        </Suspense>
    )
}
