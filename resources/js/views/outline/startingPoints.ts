import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'

export type StartingPoint = Schemas['StartingPoint']

export const startingPointsQuery = (site: string) => ({
    queryKey: [...keys.site(site), 'starting-points'],
    queryFn: () => answered(api.GET('/sites/{site}/starting-points', { params: { path: { site } } })),
})
