import { Button } from '../../ui/Button'
import { Alert } from '../../ui/Alert'
import { DialogActions } from '../../ui/DialogActions'

type Props = {
    dirty: boolean
    save: { isPending: boolean; error: Error | null }
    writes: boolean
    onPutBack: () => void
}

/** The end of a form of the sheet: why it was not saved, putting back what was typed, and saving it. */
export function SaveBar({ dirty, save, writes, onPutBack }: Props) {
    return (
        <>
            {save.error !== null && <Alert>{save.error.message}</Alert>}
            {writes && (
                <DialogActions className="sticky -bottom-4 z-10 -mx-5 bg-sheet px-5 py-2.5">
                    {dirty && <Button onClick={onPutBack}>Discard</Button>}
                    <Button type="submit" variant="main" disabled={!dirty || save.isPending}>
                        Save changes
                    </Button>
                </DialogActions>
            )}
        </>
    )
}
