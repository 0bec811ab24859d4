import { Button } from '../../ui/Button'

type Props = { offset: number; piece: number; rows: number | undefined; onTurn: (offset: number) => void }

/** Turns to the rows before and after, where there are more than one piece of them. */
export function Turn({ offset, piece, rows, onTurn }: Props) {
    if (offset === 0 && rows !== piece) return null
    return (
        <div className="flex gap-2">
            <Button disabled={offset === 0} onClick={() => onTurn(Math.max(0, offset - piece))}>
                Previous
            </Button>
            <Button disabled={rows !== piece} onClick={() => onTurn(offset + piece)}>
                Next
            </Button>
        </div>
    )
}
