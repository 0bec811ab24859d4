import { useMemo } from 'react'
import { ask } from './asked'
import { useChanges } from './changes'
import type { Named, PageAct } from './pageActs'

/** Proposes an act on one page or several. What the acts say is fetched with the first of them. */
export function usePageActs() {
    const { propose } = useChanges()
    return useMemo(
        () => ({
            act: async (act: PageAct, [first, ...others]: Named[], done?: () => void) => {
                if (first === undefined) return
                // One is asked what it is to be called; several are called after what they are copies of.
                if (act === 'duplicate' && others.length === 0) {
                    ask({ what: 'duplicate', page: first })
                    return
                }
                const { proposalOf } = await import('./pageActs')
                await propose({ ...proposalOf(act, [first, ...others]), done })
            },
        }),
        [propose],
    )
}
