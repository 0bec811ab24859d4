import { InPlan } from './InPlan'
import { LookedAs } from './LookedAs'
import { useSite } from './site'
import { UnderWay } from './UnderWay'

/** Above the view, all the while that it holds: as whom one looks, in which plan one works, which large change is being made. */
export function Strips() {
    const { lookingAs } = useSite()
    return (
        <>
            {lookingAs !== null && <LookedAs name={lookingAs} />}
            <InPlan />
            <UnderWay />
        </>
    )
}
