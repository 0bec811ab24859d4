import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'

type Props = { ready: boolean; onBack: (() => void) | null; onDrop: () => void; onApply: () => void }

/** What was arranged here and is not for visitors yet: back a step, dropped, or looked at before it is done. */
export function ArrangementBar({ ready, onBack, onDrop, onApply }: Props) {
    return (
        <div
            className="flex items-center gap-2 border-t border-line bg-sheet px-4 py-2"
            role="region"
            aria-label="Arrangement"
        >
            <Muted>Not saved: visitors do not see this yet.</Muted>
            <span className="ml-auto flex gap-2">
                {onBack !== null && <Button onClick={onBack}>Undo this step</Button>}
                <Button onClick={onDrop}>Discard</Button>
                <Button variant="main" disabled={!ready} onClick={onApply}>
                    Review and save
                </Button>
            </span>
        </div>
    )
}
