import { useRouter, type ErrorComponentProps } from '@tanstack/react-router'
import { Button } from '../ui/Button'
import { Muted } from '../ui/Muted'

/** A view that could not be shown: what happened, and the way out. */
export function Failure({ error }: ErrorComponentProps) {
    const router = useRouter()
    return (
        <main className="mx-auto grid h-full max-w-[460px] content-center gap-3 p-6">
            <h1 className="text-[20px] font-bold">This could not be shown</h1>
            <Muted>{error instanceof Error ? error.message : String(error)}</Muted>
            <div className="flex gap-2">
                <Button variant="main" onClick={() => void router.invalidate()}>
                    Try again
                </Button>
                <Button onClick={() => location.assign('/')}>Go to the outline</Button>
            </div>
        </main>
    )
}
