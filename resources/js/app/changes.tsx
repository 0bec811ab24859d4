import { useMutation, useQueryClient } from '@tanstack/react-query'
import { createContext, useCallback, useContext, useMemo, useRef, useState, type ReactNode } from 'react'
import { toast } from 'sonner'
import { answered, api, ApiProblem, type Schemas } from '../api/client'
import { keys } from '../api/queries'
import { Sentence } from './Sentence'

export type Change = Schemas['Change']
export type Batch = { changes: Change[]; decisions?: Schemas['Decision'][] }

/** A batch with what it is called, waiting in the ripple tray for a decision. */
export type Pending = { title: string; act: string; batch: Batch; ripple: Schemas['Ripple']; said?: string; done?: (() => void) | undefined }

type Proposal = Omit<Pending, 'ripple' | 'said'> & { failed?: (problem: ApiProblem) => void }

type Changes = {
    pending: Pending | null
    busy: boolean
    /** Shows the ripple of a batch, or applies it at once where visitors notice nothing. */
    propose: (proposal: Proposal) => Promise<void>
    /** Adds a way out to what is pending. */
    amend: (way: Batch) => Promise<void>
    apply: () => Promise<void>
    setAside: () => void
    takeBack: () => void
    again: () => void
}

const Context = createContext<Changes | null>(null)

export function useChanges() {
    const changes = useContext(Context)
    if (changes === null) throw new Error('Changes are made inside the shell.')
    return changes
}

export function ChangesProvider({ site, children }: { site: string; children: ReactNode }) {
    const queries = useQueryClient()
    const [pending, setPending] = useState<Pending | null>(null)
    const applied = useRef<string[]>([])
    const takenBack = useRef<string[]>([])
    const path = useMemo(() => ({ path: { site } }), [site])

    const refresh = useCallback(() => queries.invalidateQueries({ queryKey: keys.site(site) }), [queries, site])

    const takeBackEntry = useCallback(
        async (entry: string, onto: typeof applied, word: string) => {
            try {
                const made = await answered(api.POST('/sites/{site}/history/{entry}/take-back', { params: { path: { site, entry } } }))
                onto.current.push(made.id)
                toast.success(word)
            } catch (problem) {
                toast.error(problem instanceof ApiProblem ? problem.message : String(problem))
            }
            await refresh()
        },
        [refresh, site],
    )

    const takeBack = useCallback(() => {
        const entry = applied.current.pop()
        if (entry === undefined) toast('Nothing of this visit to take back.')
        else void takeBackEntry(entry, takenBack, 'Taken back.')
    }, [takeBackEntry])

    const again = useCallback(() => {
        const entry = takenBack.current.pop()
        if (entry === undefined) toast('Nothing to do again.')
        else void takeBackEntry(entry, applied, 'Done again.')
    }, [takeBackEntry])

    const noticed = useCallback(
        (entry: Schemas['HistoryEntry']) => {
            toast.success(<Sentence text={entry.sentence} />, {
                id: entry.id,
                action: {
                    label: 'Take back',
                    onClick: () => {
                        applied.current = applied.current.filter(each => each !== entry.id)
                        void takeBackEntry(entry.id, takenBack, 'Taken back.')
                    },
                },
            })
        },
        [takeBackEntry],
    )

    const carryOut = useMutation({
        mutationFn: async ({ batch, ripple, done }: Pending) => {
            const body = { changes: batch.changes, decisions: batch.decisions ?? [], digest: ripple.digest }
            const entry = await answered(api.POST('/sites/{site}/batches', { params: path, body }))
            applied.current.push(entry.id)
            takenBack.current = []
            setPending(null)
            done?.()
            await refresh()
            noticed(entry)
        },
        onError: (problem, asked) => {
            const ripple = problem instanceof ApiProblem ? problem.problem.ripple : undefined
            if (ripple !== undefined) setPending({ ...asked, ripple, said: problem.message })
            else toast.error(problem.message)
        },
    })
    const { mutateAsync, isPending } = carryOut

    const plan = useCallback((batch: Batch) => answered(api.POST('/sites/{site}/ripple', { params: path, body: { changes: batch.changes, decisions: batch.decisions ?? [] } })), [path])

    const propose = useCallback(
        async ({ failed, ...proposal }: Proposal) => {
            try {
                const ripple = await plan(proposal.batch)
                const ready = { ...proposal, ripple }
                if (ripple.matters || !ripple.canBeApplied) setPending(ready)
                else await mutateAsync(ready).catch(() => undefined)
            } catch (problem) {
                if (!(problem instanceof ApiProblem)) throw problem
                if (failed !== undefined) failed(problem)
                else toast.error(problem.message)
            }
        },
        [mutateAsync, plan],
    )

    const value = useMemo<Changes>(
        () => ({
            pending,
            busy: isPending,
            propose,
            amend: async way => {
                if (pending === null) return
                const batch = { changes: [...pending.batch.changes, ...way.changes], decisions: [...(pending.batch.decisions ?? []), ...(way.decisions ?? [])] }
                try {
                    setPending({ ...pending, batch, ripple: await plan(batch) })
                } catch (problem) {
                    toast.error(problem instanceof ApiProblem ? problem.message : String(problem))
                }
            },
            apply: async () => void (pending !== null && (await mutateAsync(pending).catch(() => undefined))),
            setAside: () => setPending(null),
            takeBack,
            again,
        }),
        [again, isPending, mutateAsync, pending, plan, propose, takeBack],
    )

    return <Context.Provider value={value}>{children}</Context.Provider>
}
