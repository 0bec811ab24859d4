import { InPlan } from './InPlan'
import { LookedAs } from './LookedAs'
import { useSite } from './site'

/** Above the view, all the while that it holds: as whom one looks, in which plan one works. */
export function Strips() {
    const { lookingAs } = useSite()
    return (
        <>
            {lookingAs !== null && <LookedAs name={lookingAs} />}
            <InPlan />
        </>
    )
}
