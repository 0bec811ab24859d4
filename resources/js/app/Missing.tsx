import { Button } from '../ui/Button'
import { Muted } from '../ui/Muted'

/** An address of the editor at which there is nothing. */
export function Missing() {
    return (
        <main className="mx-auto grid h-full max-w-[460px] content-center gap-3 p-6">
            <h1 className="text-[20px] font-bold">Page not found</h1>
            <Muted>The editor has nothing at this address.</Muted>
            <div>
                <Button variant="main" onClick={() => location.assign('/')}>
                    Go to the outline
                </Button>
            </div>
        </main>
    )
}
