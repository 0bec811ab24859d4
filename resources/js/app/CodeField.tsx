import { Field } from '../ui/Field'

type Props = { code: string; onType: (code: string) => void; error: string | undefined }

/** The code of the second step. */
export function CodeField({ code, onType, error }: Props) {
    return (
        <Field
            label="Code"
            inputMode="numeric"
            autoComplete="one-time-code"
            value={code}
            onChange={event => onType(event.target.value)}
            error={code === '' ? undefined : error}
            hint="The code your device shows now, or one of your backup codes."
        />
    )
}
