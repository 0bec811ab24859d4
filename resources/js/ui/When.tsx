import { Button } from './Button'
import { MomentInput } from './MomentField'

/** On which date and time something is looked at, in the time of the site; empty for now. Takes the same room either way. */
export function When({ value, onChange }: { value: string; onChange: (value: string) => void }) {
    return (
        <>
            <label className="flex items-center gap-2 text-ink-2">
                on <MomentInput label="When" className="w-[214px]" value={value} onChange={onChange} />
            </label>
            {value === '' ? (
                <span className="w-14 self-center text-[12px] text-ink-3">now</span>
            ) : (
                <Button variant="quiet" className="w-14" onClick={() => onChange('')}>
                    Now
                </Button>
            )}
        </>
    )
}
