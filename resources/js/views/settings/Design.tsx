import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Select } from '../../ui/Select'

/** The templates, styles and fonts of the site: those that ship, or a folder of its own before them. */
export function Design({ design }: { design: Schemas['SiteSettings']['design'] }) {
    const site = useSite()
    const queries = useQueryClient()
    const choose = useMutation({
        mutationFn: (name: string) =>
            answered(
                api.PATCH('/sites/{site}/names', { params: { path: { site: site.key } }, body: { design: name } }),
            ),
        onSuccess: async (_, name) => {
            await queries.invalidateQueries({ queryKey: keys.site(site.key) })
            notify.success(name === '' ? 'The site has the design that ships.' : `The site has the design “${name}”.`)
        },
        onError: fault => notify.error(fault.message),
    })
    return (
        <Select
            aria-label="Design"
            className="w-44"
            value={design.now}
            disabled={choose.isPending}
            choices={[['', 'as it ships'], ...design.all.map(name => [name, name] as const)]}
            onChoose={name => choose.mutate(name)}
        />
    )
}
