import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { PenLine } from 'lucide-react'
import { lazy, Suspense } from 'react'
import type { Schemas } from '../../api/client'
import { contentQuery } from '../../api/viewQueries'
import { useSite } from '../../app/site'
import { Button, buttonClasses } from '../../ui/Button'

// Writing is the heaviest part by far: it is fetched when content is first opened.
const WritingField = lazy(() => import('./WritingField').then(module => ({ default: module.WritingField })))

type Props = { sheet: Schemas['PageSheet']; onUnsaved: (unsaved: boolean) => void; visible: boolean }

/** The content of the page: read once, then written on, with others' writing looked after. */
export function ContentTab(props: Props) {
    const site = useSite()
    const content = useQuery({
        ...contentQuery(site.key, props.sheet.id),
        staleTime: Infinity,
        refetchOnMount: 'always',
        refetchOnWindowFocus: false,
    })
    if (content.error !== null) {
        return (
            <div role="alert" className="grid gap-2">
                <p>The content could not be read. {content.error.message}</p>
                <div>
                    <Button onClick={() => void content.refetch()}>Try again</Button>
                </div>
            </div>
        )
    }
    const reading = (
        <p role="status" className="text-ink-3">
            Reading the content…
        </p>
    )
    if (content.data === undefined || !content.isFetchedAfterMount) return reading
    return (
        <Suspense fallback={reading}>
            <WritingField key={props.sheet.id} {...props} first={content.data}>
                {props.sheet.kind === 'page' && props.sheet.state !== 'bin' && (
                    <Link
                        to="/s/$site/write/$page"
                        params={{ site: site.key, page: props.sheet.id }}
                        className={`${buttonClasses('plain')} shrink-0`}
                    >
                        <PenLine size={15} aria-hidden />
                        Write on the page
                    </Link>
                )}
            </WritingField>
        </Suspense>
    )
}
