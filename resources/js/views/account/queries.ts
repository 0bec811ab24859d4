import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'

export type Account = Schemas['OwnAccount']

export const accountQuery = queryOptions({
    queryKey: ['own-account'],
    queryFn: () => answered(api.GET('/account')),
})

/** Does something to one's own account, and reads it anew. */
export function useAccountChange<Given, Made>(change: (given: Given) => Promise<Made>, done?: (made: Made) => void) {
    const queries = useQueryClient()
    return useMutation({
        mutationFn: change,
        onSuccess: async made => {
            done?.(made)
            await queries.invalidateQueries({ queryKey: ['own-account'] })
            await queries.invalidateQueries({ queryKey: ['session'] })
        },
    })
}
