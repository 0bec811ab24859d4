import { Alert } from './Alert'
import { Button } from './Button'

type Reading = { error: Error | null; refetch: () => unknown }

/** Says that something could not be read, and why; asks for it again. Nothing while it could. */
export function ReadFailure({ of, className }: { of: Reading | readonly Reading[]; className?: string }) {
    const failed = [of].flat().filter(each => each.error !== null)
    if (failed.length === 0) return null
    return (
        <Alert className={className ?? 'px-2.5 py-1 text-[13px]'}>
            {failed[0]?.error?.message}{' '}
            <Button variant="quiet" className="h-auto!" onClick={() => failed.forEach(each => void each.refetch())}>
                Try again
            </Button>
        </Alert>
    )
}
