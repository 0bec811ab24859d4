import type { Schemas } from '../../../api/client'
import { FieldFrame } from '../../../ui/Field'
import { Select } from '../../../ui/Select'
import { from } from './settingWords'

type Props = {
    label: string
    value: string | boolean | number | null
    inherited: Schemas['InheritedSetting'] | undefined
    choices: readonly (readonly [string, string])[]
    hint?: string | undefined
    onChoose: (value: string | null) => void
}

/** A setting that is said here or inherited: what holds, and where it comes from, is always seen. */
export function InheritedChoice({ label, value, inherited, choices, hint, onChoose }: Props) {
    const name = (key: unknown) => choices.find(([each]) => each === String(key))?.[1] ?? 'not set'
    const holds = inherited === undefined || inherited.scope === 'own' ? undefined : inherited
    const inherit =
        value === null && holds !== undefined
            ? `${name(holds.value)}, ${holds.scope === 'default' ? 'by default' : from(holds)}`
            : 'Inherit'
    return (
        <FieldFrame label={label} hint={hint}>
            {({ id, describedBy }) => (
                <Select
                    id={id}
                    aria-describedby={describedBy}
                    value={value === null ? '' : String(value)}
                    choices={[['', inherit], ...choices] as const}
                    onChoose={chosen => onChoose(chosen === '' ? null : chosen)}
                />
            )}
        </FieldFrame>
    )
}
