import { useQueryClient } from '@tanstack/react-query'
import { keys } from '../../api/queries'
import { useChanges } from '../changes'
import { useSite } from '../site'
import { ulid } from '../../api/ulid'

/** Makes a page that links want, as a draft inside another; they lead to it from then on. */
export function useMakeWanted() {
    const site = useSite()
    const queries = useQueryClient()
    const { propose } = useChanges()
    return (name: string, parent: string | null, done?: (page: string) => void) => {
        const page = ulid()
        void propose({
            title: `Making ${name}`,
            act: 'Make page',
            batch: { changes: [{ kind: 'make', page, name, place: { last: parent }, wanted: name }] },
            done: () => {
                void queries.invalidateQueries({ queryKey: keys.site(site.key) })
                done?.(page)
            },
        })
    }
}
