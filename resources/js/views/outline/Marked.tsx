/** A text with the part that a filter asks for marked. */
export function Marked({ text, part }: { text: string; part: string | null }) {
    const at = part === null ? -1 : text.toLowerCase().indexOf(part.toLowerCase())
    if (part === null || at < 0) return text
    return (
        <>
            {text.slice(0, at)}
            <mark className="rounded-sm bg-amber-soft text-ink">{text.slice(at, at + part.length)}</mark>
            {text.slice(at + part.length)}
        </>
    )
}
