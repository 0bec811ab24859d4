import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'

export type PlanItem = Schemas['PlanItem']
export type PlanReview = Schemas['PlanReview']

const plansKey = (site: string) => [...keys.site(site), 'plans'] as const

export function usePlans() {
    const site = useSite()
    return useQuery({
        queryKey: plansKey(site.key),
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/plans', { params: { path: { site: site.key } }, signal })),
    })
}

/** A plan laid over the site as it is now. */
export function usePlan(plan: string) {
    const site = useSite()
    return useQuery({
        queryKey: [...plansKey(site.key), plan],
        queryFn: ({ signal }) =>
            answered(api.GET('/sites/{site}/plans/{plan}', { params: { path: { site: site.key, plan } }, signal })),
    })
}

export function useCompared(plan: string, other: string | undefined) {
    const site = useSite()
    return useQuery({
        queryKey: [...plansKey(site.key), plan, 'against', other],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/plans/{plan}/against/{other}', {
                    params: { path: { site: site.key, plan, other: other ?? '' } },
                    signal,
                }),
            ),
        enabled: other !== undefined,
    })
}

/** Makes a plan. */
export function useMakePlan(made: (plan: PlanItem) => void) {
    const site = useSite()
    const queries = useQueryClient()
    return useMutation({
        mutationFn: (body: { name: string; description: string }) =>
            answered(api.POST('/sites/{site}/plans', { params: { path: { site: site.key } }, body })),
        onSuccess: async plan => {
            await queries.invalidateQueries({ queryKey: plansKey(site.key) })
            made(plan)
        },
    })
}

/** What is done to one plan; each answers with the plan as it is then. */
export function usePlanActs(plan: string) {
    const site = useSite()
    const queries = useQueryClient()
    const path = { site: site.key, plan }
    const reviewed = (review: PlanReview) => {
        queries.setQueryData([...plansKey(site.key), plan], review)
        void queries.invalidateQueries({ queryKey: plansKey(site.key) })
    }
    const describe = useMutation({
        mutationFn: (body: { name?: string; description?: string; switchAt?: string | null }) =>
            answered(api.PATCH('/sites/{site}/plans/{plan}', { params: { path }, body })),
        onSuccess: reviewed,
    })
    const removeStep = useMutation({
        mutationFn: (step: string) =>
            answered(api.DELETE('/sites/{site}/plans/{plan}/steps/{step}', { params: { path: { ...path, step } } })),
        onSuccess: reviewed,
    })
    const accept = useMutation({
        mutationFn: (page: string) =>
            answered(api.POST('/sites/{site}/plans/{plan}/accepted', { params: { path }, body: { page } })),
        onSuccess: reviewed,
    })
    const discard = useMutation({
        mutationFn: () => answered(api.DELETE('/sites/{site}/plans/{plan}', { params: { path } })),
        onSuccess: () => queries.invalidateQueries({ queryKey: plansKey(site.key) }),
    })
    const link = useMutation({
        mutationFn: () => answered(api.POST('/sites/{site}/plans/{plan}/link', { params: { path } })),
        onSuccess: () => queries.invalidateQueries({ queryKey: plansKey(site.key) }),
    })
    const unlink = useMutation({
        mutationFn: () => answered(api.DELETE('/sites/{site}/plans/{plan}/link', { params: { path } })),
        onSuccess: () => queries.invalidateQueries({ queryKey: plansKey(site.key) }),
    })
    return { describe, removeStep, accept, discard, link, unlink }
}

export type PlanActs = ReturnType<typeof usePlanActs>
