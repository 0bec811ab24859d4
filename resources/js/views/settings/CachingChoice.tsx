import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { cachingChoices, type Caching } from '../../ui/caching'
import { Select } from '../../ui/Select'

/** How long browsers and caches keep pages of the site that say nothing of it themselves. */
export function CachingChoice({ caching }: { caching: Caching }) {
    const site = useSite()
    const queries = useQueryClient()
    const choose = useMutation({
        mutationFn: (wanted: Caching) =>
            answered(
                api.PUT('/sites/{site}/caching', { params: { path: { site: site.key } }, body: { caching: wanted } }),
            ),
        onSuccess: async () => {
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
            notify.success('Pages of the site are kept like this from now on.')
        },
        onError: fault => notify.error(fault.message),
    })
    return (
        <Select
            aria-label="Caching"
            className="w-64"
            value={caching}
            disabled={choose.isPending}
            choices={cachingChoices(caching)}
            onChoose={wanted => choose.mutate(wanted)}
        />
    )
}
