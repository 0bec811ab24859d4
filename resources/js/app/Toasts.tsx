import { useEffect } from 'react'
import { Toaster } from 'sonner'
import { useIsPending } from './changes'
import { useToastShield } from './useToastShield'

/** What has just been done, with the way back: at the lower left, or above while the ripple tray needs that place. */
export function Toasts({ onStanding }: { onStanding: () => void }) {
    const isPending = useIsPending()
    useToastShield()
    useEffect(onStanding, [onStanding])
    return (
        <Toaster
            position={isPending ? 'top-center' : 'bottom-left'}
            offset={{ left: 92, bottom: 20, top: 52 }}
            duration={9000}
            toastOptions={{
                style: { fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif", fontSize: 14 },
                className: '!bg-sheet !text-ink !border-line !shadow-float',
                classNames: { actionButton: '!bg-heron !text-on-heron !font-semibold' },
            }}
        />
    )
}
