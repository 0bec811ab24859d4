import { useEffect } from 'react'
import { Toaster } from 'sonner'

/** What has just been done, with the way back: in the part of the top strip that is kept free for it, so that it covers nothing. */
export function Toasts({ onStanding }: { onStanding: () => void }) {
    useEffect(onStanding, [onStanding])
    return (
        <Toaster
            position="top-right"
            offset={{ top: 4, right: 148 }}
            mobileOffset={{ top: 52 }}
            duration={9000}
            visibleToasts={1}
            style={{ '--width': 'clamp(356px, 100vw - 780px, 500px)' } as React.CSSProperties}
            toastOptions={{
                style: { fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif", fontSize: 14 },
                className: '!bg-sheet !text-ink !border-line !shadow-none !min-h-10 !px-3 !py-1 !gap-2',
                classNames: {
                    content: 'line-clamp-4',
                    actionButton: '!bg-heron !text-on-heron !font-semibold',
                },
            }}
        />
    )
}
