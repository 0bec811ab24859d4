import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { Button } from '../../ui/Button'
import { Field } from '../../ui/Field'
import { Muted } from '../../ui/Muted'
import type { SeenEditing } from './useSeenEditing'

type Props = { one: Schemas['ShownEntry']; of: string; writes: boolean; acts: SeenEditing }

/** A page that stands in a menu because its entry is filled from the tree: what can be done to it alone. */
export function SeenPage({ one, of, writes, acts }: Props) {
    const [name, setName] = useState(one.label)
    const isLeftOut = one.hidden === 'left-out'
    return (
        <section aria-label={one.label} className="grid gap-2 rounded-md bg-sunk p-3">
            <p>
                <b className="font-semibold">{one.label}</b>{' '}
                <Muted small>
                    {isLeftOut
                        ? 'is left out of this menu'
                        : `comes from the tree: ${of.toLowerCase().startsWith('the top') ? of : `inside “${of}”`}`}
                </Muted>
            </p>
            {writes && !isLeftOut && (
                <form
                    className="flex items-end gap-2"
                    onSubmit={event => {
                        event.preventDefault()
                        acts.rename(one, name.trim())
                    }}
                >
                    <div className="min-w-0 grow">
                        <Field
                            stacked
                            label="Label here"
                            value={name}
                            onChange={event => setName(event.target.value)}
                        />
                    </div>
                    <Button type="submit" disabled={name.trim() === '' || name.trim() === one.label}>
                        Rename
                    </Button>
                </form>
            )}
            <div className="flex flex-wrap gap-2">
                {writes && (
                    <Button onClick={() => acts.leaveOut(one, !isLeftOut)}>
                        {isLeftOut ? 'Show again' : 'Leave out'}
                    </Button>
                )}
                <Button variant="quiet" onClick={() => acts.openPage(one.page ?? '')}>
                    Open the page
                </Button>
            </div>
        </section>
    )
}
