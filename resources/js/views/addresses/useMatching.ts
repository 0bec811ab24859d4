import { useState } from 'react'
import { answered, api } from '../../api/client'
import { useSite } from '../../app/site'
import { useStoppable } from '../../ui/useStoppable'
import { changedBy, settledOf, type Choices, type Matched } from './matching'

/** Matches a list, and again whenever a row is settled by hand: each teaches of the others, and what changed by it is marked. */
export function useMatching(text: string) {
    const site = useSite()
    const [choices, setChoices] = useState<Choices>({})
    const [rows, setRows] = useState<Matched[] | undefined>(undefined)
    const [taught, setTaught] = useState<ReadonlySet<string>>(new Set())
    const match = useStoppable(async (signal, chosen: Choices) => {
        const found = await answered(
            api.POST('/sites/{site}/redirects-match', {
                params: { path: { site: site.key } },
                body: { text, settled: settledOf(chosen, rows ?? []) },
                signal,
            }),
        )
        setTaught(changedBy(rows ?? found, found, chosen))
        setRows(found)
    })
    return {
        match,
        rows,
        taught,
        choices,
        begin: () => match.mutate(choices),
        choose: (old: string, choice: Choices[string]) => {
            const chosen = { ...choices, [old]: { ...choices[old], ...choice } }
            setChoices(chosen)
            if (choice.page !== undefined || choice.isOn === true) {
                match.stop()
                match.mutate(chosen)
            }
        },
        reset: () => {
            match.reset()
            setRows(undefined)
            setChoices({})
        },
    }
}
