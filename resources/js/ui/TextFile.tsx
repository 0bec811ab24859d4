import { fileLook } from './Field'
import { textOf } from './textOf'

/** Chooses a file and gives its text, whatever encoding that is in. */
export function TextFile({ label, accept, onText }: { label: string; accept: string; onText: (text: string) => void }) {
    return (
        <input
            type="file"
            aria-label={label}
            accept={accept}
            onChange={event => {
                const file = event.target.files?.[0]
                if (file !== undefined) void textOf(file).then(onText)
            }}
            className={fileLook}
        />
    )
}
