import { useMutation, useQueryClient } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'

export const visitorsOf = (site: string, text: string, offset: number) => ({
    queryKey: [...keys.site(site), 'visitors', text, offset],
    queryFn: () => answered(api.GET('/sites/{site}/visitors', { params: { path: { site }, query: { text, offset } } })),
    placeholderData: <Data>(previous: Data) => previous,
})

/** Does something to visitors, and reads them anew. */
export function useVisitorChange<Given, Made>(
    site: string,
    change: (given: Given) => Promise<Made>,
    done?: (made: Made) => void,
) {
    const queries = useQueryClient()
    return useMutation({
        mutationFn: change,
        onSuccess: async made => {
            done?.(made)
            await queries.invalidateQueries({ queryKey: [...keys.site(site), 'visitors'] })
        },
    })
}
