import clsx from 'clsx'
import type { ReactNode } from 'react'
import { Hint } from '../../ui/Hint'
import { toolClasses } from './toolClasses'

type Props = { description: string; on: boolean; act: () => void; children: ReactNode }

/** One tool of a bar, on or off. Pressing it leaves the selection where it is. */
export function Tool({ description, on, act, children }: Props) {
    return (
        <Hint description={description}>
            <button
                type="button"
                aria-label={description}
                aria-pressed={on}
                onMouseDown={event => event.preventDefault()}
                onClick={act}
                className={clsx(toolClasses, on && 'bg-heron-soft text-heron')}
            >
                {children}
            </button>
        </Hint>
    )
}
