import { FieldFrame, inputClasses } from '../../ui/Field'
import { Select } from '../../ui/Select'

type Props = {
    audience: string
    writes: boolean
    error: string | undefined
    onChange: (audience: string) => void
}
const choices = [
    ['everyone', 'everyone'],
    ['visitors', 'visitors who are not signed in'],
    ['signed-in', 'signed-in people'],
    ['roles', 'people with a role…'],
] as const

/** For whom an entry is. */
export function EntryAudience({ audience, writes, error, onChange }: Props) {
    const isRoles = audience.startsWith('roles:')
    return (
        <FieldFrame stacked label="For" error={error}>
            {({ id }) => (
                <div className="grid gap-1.5">
                    <Select
                        id={id}
                        disabled={!writes}
                        value={isRoles ? 'roles' : audience}
                        choices={choices}
                        onChoose={chosen => onChange(chosen === 'roles' ? 'roles:' : chosen)}
                    />
                    {isRoles && (
                        <input
                            aria-label="Roles"
                            placeholder="resident, crew"
                            disabled={!writes}
                            className={inputClasses}
                            value={audience.slice(6)}
                            onChange={event => onChange(`roles:${event.target.value}`)}
                        />
                    )}
                </div>
            )}
        </FieldFrame>
    )
}
