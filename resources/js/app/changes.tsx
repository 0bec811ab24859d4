import { useMutation, useQueryClient } from '@tanstack/react-query'
import { createContext, useCallback, useContext, useMemo, useRef, useState, type ReactNode } from 'react'
import { notify } from './notify'
import { ApiProblem, type Schemas } from '../api/client'
import { keys } from '../api/queries'
import { WaitsBelow } from '../ui/waitsBelow'
import { applyOf, planOf, planSteps, type Batch, type Wanted } from './batches'
import { workedOn } from './planned'
import { isLarge, type Large } from './large'

export type { Batch, Change } from './batches'

/** Something wanted, with what it is called, waiting in the ripple tray for a decision. */
export type Pending = Wanted & {
    title: string
    act: string
    ripple: Schemas['Ripple']
    note: string
    said?: string
    done?: (() => void) | undefined
}
type Proposal = Wanted &
    Pick<Pending, 'title' | 'act' | 'done'> & {
        failed?: (problem: ApiProblem) => void
        always?: boolean
        now?: boolean
    }

type Changes = {
    pending: Pending | null
    busy: boolean
    /** Shows the ripple of a batch, or applies it at once where visitors notice nothing, or where that is known beforehand (`now`). */
    propose: (proposal: Proposal) => Promise<void>
    /** Adds a way out, or a decision, to what is pending. */
    amend: (way: Batch) => Promise<void>
    /** Takes the default wherever something is open. */
    takeDefaults: () => Promise<void>
    setNote: (note: string) => void
    apply: () => Promise<void>
    setAside: () => void
    undo: () => void
    redo: () => void
    /** A large change that was under way is so no longer: what came of it is said. */
    ended: (change: Large) => Promise<void>
}
const undoing = () => import('./undoing')

/** What a ripple is shown in. */
export const tray = () => import('./RippleTray')

/** Ways out and decisions: fetched with the first. */
const waysOut = () => import('./amending')

const Context = createContext<Changes | null>(null)

export function useChanges() {
    const changes = useContext(Context)
    if (changes === null) throw new Error('Changes are made inside the shell.')
    return changes
}

export function ChangesProvider({ site, children }: { site: string; children: ReactNode }) {
    const queries = useQueryClient()
    const [pending, setPending] = useState<Pending | null>(null)
    const [amending, setAmending] = useState(false)
    const applied = useRef<string[]>([])
    const undone = useRef<string[]>([])
    /** Steps of the plan that one works in. */
    const prepared = useRef<string[]>([])
    /** What one asked for oneself and is made in the background, with what is undone by it, if it is asked for by that. */
    const followed = useRef(new Map<string, { wanted?: Pending; onto?: typeof applied }>())
    const follow = useCallback(
        (change: Large, by: { wanted?: Pending; onto?: typeof applied }) => {
            followed.current.set(change.id, by)
            queries.setQueryData<Large[]>(keys.underWay(site), [change])
        },
        [queries, site],
    )
    const refresh = useCallback(() => queries.invalidateQueries({ queryKey: keys.site(site) }), [queries, site])
    const complain = (problem: unknown) =>
        notify.error(problem instanceof ApiProblem ? problem.message : String(problem))

    const { undoEntry, say } = useMemo(() => {
        /** What was done, or undone, or done once more, with the way back: of what was undone that is doing it once more. */
        const say = async (entry: Schemas['HistoryEntry'], undid?: boolean) =>
            (await undoing()).noticed(entry, undid, () => {
                const on = undid ? undone : applied
                on.current = on.current.filter(each => each !== entry.id)
                void undoEntry(entry.id, undid === true)
            })
        const undoEntry = async (entry: string, redoes: boolean) => {
            const made = await (await undoing()).undoEntry(site, entry)
            if (made === null) return
            const onto = redoes ? applied : undone
            if (isLarge(made)) follow(made, { onto })
            else {
                onto.current.push(made.id)
                void say(made, !redoes)
            }
            await refresh()
        }
        return { undoEntry, say }
    }, [follow, refresh, site])
    const removeStep = useCallback(
        async (step: string) => {
            prepared.current = prepared.current.filter(each => each !== step)
            await (await planSteps()).removeStep(site, step)
            await refresh()
        },
        [refresh, site],
    )
    const undo = useCallback(() => {
        const inPlan = workedOn(site) !== null
        const last = (inPlan ? prepared : applied).current.pop()
        if (last === undefined) notify.message('Nothing to undo.')
        else void (inPlan ? removeStep(last) : undoEntry(last, false))
    }, [removeStep, site, undoEntry])
    const redo = useCallback(() => {
        const entry = undone.current.pop()
        if (entry === undefined) notify.message('Nothing to redo.')
        else void undoEntry(entry, true)
    }, [undoEntry])
    const carryOut = useMutation({
        mutationFn: async (wanted: Pending) => {
            const worked = workedOn(site)
            if (worked !== null && wanted.batch !== undefined) {
                const { prepare } = await planSteps()
                prepared.current.push(await prepare(site, worked, wanted.batch, step => void removeStep(step)))
                setPending(null)
                wanted.done?.()
                await refresh()
                return
            }
            // What is still being foreseen is of the site as it was: asked about after this is written, it would be refused.
            await queries.cancelQueries({ queryKey: keys.foresight(site) })
            const made = await applyOf(site, wanted, wanted.ripple.digest, wanted.note)
            setPending(null)
            wanted.done?.()
            if (isLarge(made)) {
                follow(made, { wanted })
                return
            }
            applied.current.push(made.id)
            undone.current = []
            await refresh()
            void say(made)
        },
        onError: (problem, asked) => {
            const ripple = problem instanceof ApiProblem ? problem.problem.ripple : undefined
            if (ripple !== undefined) setPending({ ...asked, ripple, said: problem.message })
            else notify.error(problem.message)
        },
    })
    const { mutateAsync, isPending } = carryOut
    const ended = useCallback(
        async (change: Large) => {
            const by = followed.current.get(change.id) ?? {}
            const { whatCameOfIt } = await import('./whatCameOfIt')
            const { goesOn, again, entry } = await whatCameOfIt(site, change, by.wanted)
            // What was asked before it began does not know of it.
            if (goesOn) return follow(change, by)
            await refresh()
            if (again) setPending(again)
            if (!entry) return
            ;(by.onto ?? applied).current.push(entry.id)
            if (!by.onto) undone.current = []
            void say(entry, by.onto && by.onto === undone)
        },
        [follow, refresh, say, site],
    )

    const last = useRef<Promise<unknown>>(Promise.resolve())
    const propose = useCallback(
        ({ failed, always, now, ...proposal }: Proposal) => {
            const carried = async () => {
                try {
                    const coming = planOf(site, proposal)
                    // Where it will be shown in: fetched meanwhile.
                    void tray().catch(() => undefined)
                    const ripple = await coming
                    const ready: Pending = { ...proposal, ripple, note: '' }
                    // Nobody but those who look at the plan notices what is prepared in it.
                    const isPrepared = workedOn(site) !== null && proposal.batch !== undefined
                    const isShown = always === true || (ripple.matters && now !== true)
                    if ((isShown && !isPrepared) || !ripple.canBeApplied) setPending(ready)
                    else await mutateAsync(ready).catch(() => undefined)
                } catch (problem) {
                    if (!(problem instanceof ApiProblem)) throw problem
                    if (failed !== undefined) failed(problem)
                    else notify.error(problem.message)
                }
            }
            // Planned when what was asked for before is done: a plan made beside it would be one of a site that was.
            const done = last.current.then(carried)
            last.current = done.catch(() => undefined)
            return done
        },
        [mutateAsync, site],
    )
    const amend = useCallback(
        async (way: Batch) => {
            if (pending === null) return
            setAmending(true)
            try {
                const wanted = await (await waysOut()).amended(site, pending, way)
                const ripple = await planOf(site, wanted)
                setPending({ ...pending, ...wanted, ripple } as Pending)
            } catch (problem) {
                complain(problem)
            } finally {
                setAmending(false)
            }
        },
        [pending, site],
    )
    const value = useMemo<Changes>(
        () => ({
            pending,
            // What was decided a moment ago is not in the ripple yet; nothing is applied without it.
            busy: isPending || amending,
            propose,
            amend,
            takeDefaults: async () => {
                if (pending === null) return
                setAmending(true)
                await amend((await waysOut()).defaultsOf(pending))
            },
            setNote: note => setPending(now => (now === null ? null : { ...now, note })),
            apply: async () => void (pending !== null && (await mutateAsync(pending).catch(() => undefined))),
            setAside: () => setPending(null),
            undo,
            redo,
            ended,
        }),
        [ended, amend, amending, isPending, mutateAsync, pending, propose, redo, undo],
    )
    return (
        <Context.Provider value={value}>
            <WaitsBelow value={pending !== null}>{children}</WaitsBelow>
        </Context.Provider>
    )
}
