import { useState } from 'react'
import { Button } from '../../ui/Button'
import type { LinkAttrs } from './blocks'
import { LinkDialog } from './LinkDialog'
import { useLinkName } from './useLinkName'

type Props = { link: LinkAttrs | null; missing: boolean; onLink: (link: LinkAttrs) => void }

/** Where something leads, said by name, and chosen in the same dialog as the link of a text. */
export function LinkChooser({ link, missing, onLink }: Props) {
    const [open, setOpen] = useState(false)
    const name = useLinkName(link)
    return (
        <div className="grid gap-1">
            <span className="text-ink-2">Leads to</span>
            <div className="flex items-center gap-3">
                <span className="min-w-0 truncate font-semibold">{link === null ? 'nothing yet' : name}</span>
                <Button onClick={() => setOpen(true)}>{link === null ? 'Choose…' : 'Change…'}</Button>
            </div>
            {missing && link === null && (
                <p role="alert" className="text-[12px] text-berry">
                    Choose where it leads.
                </p>
            )}
            {open && (
                <LinkDialog
                    link={link}
                    onClose={() => setOpen(false)}
                    onTake={taken => {
                        if (taken !== null) onLink(taken)
                        setOpen(false)
                    }}
                />
            )}
        </div>
    )
}
