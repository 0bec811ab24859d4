import clsx from 'clsx'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'

type Props = {
    trigger: ReactNode
    align?: 'start' | 'end'
    offset?: number
    /** The menu gives focus to something else when it closes. */
    keepsFocus?: boolean
    onOpen?: (open: boolean) => void
    className?: string
    children: ReactNode
}

/** A menu that is open from the start, with the button that opens it again. */
export function MenuList({ trigger, align = 'start', offset = 4, keepsFocus, onOpen, className, children }: Props) {
    return (
        <DropdownMenu.Root defaultOpen {...(onOpen === undefined ? {} : { onOpenChange: onOpen })}>
            <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align={align}
                    sideOffset={offset}
                    collisionPadding={8}
                    {...(keepsFocus === true ? { onCloseAutoFocus: event => event.preventDefault() } : {})}
                    className={clsx(
                        'z-50 max-h-[min(80vh,var(--radix-dropdown-menu-content-available-height))] overflow-y-auto rounded-md bg-sheet p-1 shadow-float',
                        className,
                    )}
                >
                    {children}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    )
}

export function MenuLine() {
    return <DropdownMenu.Separator className="my-1 h-px bg-line" />
}

/** An act of a menu. */
export function MenuAct({ className, ...rest }: { className?: string; onSelect: () => void; children: ReactNode }) {
    return (
        <DropdownMenu.Item
            className={clsx(
                'flex cursor-pointer items-center gap-2 rounded px-2.5 py-1 outline-none data-[highlighted]:bg-heron-soft',
                className,
            )}
            {...rest}
        />
    )
}
