import type { Schemas } from '../../api/client'
import { FieldFrame } from '../../ui/Field'
import { Select } from '../../ui/Select'

type Closed = NonNullable<Schemas['MenuEntry']['closed']>
type Props = { closed: Closed; writes: boolean; error: string | undefined; onChange: (closed: Closed) => void }

const choices = [
    ['left-out', 'is left out'],
    ['locked', 'has a lock, and leads there'],
    ['shown', 'has a lock, and cannot be clicked'],
] as const

/** What those see of an entry who may not see its page. */
export function EntryClosed({ closed, writes, error, onChange }: Props) {
    return (
        <FieldFrame stacked label="For those who cannot see the page, it" error={error}>
            {({ id }) => <Select id={id} disabled={!writes} value={closed} choices={choices} onChoose={onChange} />}
        </FieldFrame>
    )
}
