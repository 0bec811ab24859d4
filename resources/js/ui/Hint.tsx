import { Tooltip } from 'radix-ui'
import type { ReactNode } from 'react'

/** Words on hover and focus. The trigger keeps its own name for readers. */
export function Hint({
    description,
    children,
    side = 'bottom',
}: {
    description: ReactNode
    children: ReactNode
    side?: 'bottom' | 'right' | 'top'
}) {
    return (
        <Tooltip.Root>
            <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
            <Tooltip.Portal>
                <Tooltip.Content
                    side={side}
                    sideOffset={5}
                    className="z-50 max-w-[280px] rounded bg-ink px-2 py-1 text-[12px] leading-4 text-paper shadow-float"
                >
                    {description}
                </Tooltip.Content>
            </Tooltip.Portal>
        </Tooltip.Root>
    )
}
