import { Tooltip } from 'radix-ui'
import { useEffect, useId } from 'react'
import type { OpenHint } from './Hint'

/** The hint that is open, beside what it is about. */
export function HintLayer({ anchor, description, side, onClose }: OpenHint & { onClose: () => void }) {
    const id = useId()
    const { left, top, width, height } = anchor.getBoundingClientRect()
    useEffect(() => {
        anchor.setAttribute('aria-describedby', id)
        return () => anchor.removeAttribute('aria-describedby')
    }, [anchor, id])
    return (
        <Tooltip.Provider>
            <Tooltip.Root open onOpenChange={open => open || onClose()}>
                <Tooltip.Trigger asChild>
                    <span aria-hidden className="pointer-events-none fixed" style={{ left, top, width, height }} />
                </Tooltip.Trigger>
                <Tooltip.Portal>
                    <Tooltip.Content
                        id={id}
                        side={side}
                        sideOffset={5}
                        className="z-50 max-w-[280px] rounded bg-ink px-2 py-1 text-[12px] leading-4 text-paper shadow-float"
                    >
                        {description}
                    </Tooltip.Content>
                </Tooltip.Portal>
            </Tooltip.Root>
        </Tooltip.Provider>
    )
}
