/** A sentence of the history: what stands between asterisks is a page's name. */
export function Sentence({ text }: { text: string }) {
    return (
        <span>
            {text.split('*').map((piece, i) =>
                i % 2 === 1 ? (
                    <b key={i} className="font-semibold">
                        {piece}
                    </b>
                ) : (
                    piece
                ),
            )}
        </span>
    )
}
