import { Suspense, useState, type ComponentProps, type ReactNode } from 'react'

type Props = ComponentProps<'button'> & {
    /** The menu, open around its trigger; fetched with the first press. */
    menu: (trigger: ReactNode) => ReactNode
}

/** A button that opens a menu. Few of them are ever pressed, so that what a menu needs comes with the first press. */
export function MenuButton({ menu, onClick, children, ...rest }: Props) {
    const [used, setUsed] = useState(false)
    const first = (
        <button
            type="button"
            aria-haspopup="menu"
            aria-expanded={false}
            {...rest}
            onClick={event => {
                onClick?.(event)
                setUsed(true)
            }}
            onKeyDown={event => {
                if (event.key !== 'ArrowDown') return
                event.preventDefault()
                setUsed(true)
            }}
        >
            {children}
        </button>
    )
    if (!used) return first
    return (
        <Suspense fallback={first}>
            {menu(
                <button type="button" {...rest} onClick={onClick}>
                    {children}
                </button>,
            )}
        </Suspense>
    )
}
