import { Smartphone } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { Button } from '../ui/Button'
import { useSite } from './site'
import { Select } from '../ui/Select'
import { When } from '../ui/When'

type As = 'visitors' | 'signed-in' | `role:${string}`
type Props = {
    open: boolean
    onClose: () => void
    page: { id: string; name: string; access?: { roles: string[] }; state?: string; edited?: boolean }
    as?: As
}

/** The page in its real design, with the content being worked on: as visitors get it, or people who are signed in there, in some role, now or on a date. */
export function Preview({ open, onClose, page, as: first = 'visitors' }: Props) {
    const site = useSite()
    const [as, setAs] = useState<As>(first)
    const [on, setOn] = useState('')
    const [isNarrow, setNarrow] = useState(false)
    const viewers: [As, string][] = [
        ['visitors', 'a visitor'],
        ['signed-in', 'somebody signed in'],
        ...(page.access?.roles ?? []).map((role): [As, string] => [`role:${role}`, `signed in as ${role}`]),
    ]
    const asked = new URLSearchParams({ ...(as === 'visitors' ? {} : { as }), ...(on === '' ? {} : { on }) })
    return (
        <Dialog.Root open={open} onOpenChange={now => now || onClose()}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgb(22_38_47/0.35)]" />
                <Dialog.Content
                    aria-describedby={undefined}
                    className="fixed inset-[4vh_4vw] z-50 grid grid-rows-[48px_1fr] overflow-hidden rounded-lg bg-sheet shadow-float"
                >
                    <div className="flex items-center gap-3 px-4">
                        <Dialog.Title className="truncate font-bold">Preview of {page.name}</Dialog.Title>
                        <Shows page={page} />
                        <label className="ml-auto flex items-center gap-2 text-ink-2">
                            As{' '}
                            <Select
                                aria-label="Who looks"
                                className="w-auto!"
                                value={as}
                                choices={viewers}
                                onChoose={setAs}
                            />
                        </label>
                        <When value={on} onChange={setOn} />
                        <Button
                            aria-pressed={isNarrow}
                            aria-label="As on a phone"
                            variant={isNarrow ? 'plain' : 'quiet'}
                            onClick={() => setNarrow(!isNarrow)}
                        >
                            <Smartphone size={15} aria-hidden />
                            Phone
                        </Button>
                        <Button onClick={onClose}>Close preview</Button>
                    </div>
                    <iframe
                        title={`Preview of ${page.name}`}
                        src={`/preview/${site.key}/${page.id}?${asked}`}
                        sandbox=""
                        className={
                            isNarrow
                                ? 'mx-auto h-full w-[390px] border-x border-t border-line bg-white'
                                : 'size-full border-0 border-t border-line bg-white'
                        }
                    />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    )
}

/** What is shown of it, and whether visitors see that. */
function Shows({ page: { state, edited } }: Pick<Props, 'page'>) {
    if (state === undefined) return null
    const isOut = state === 'live' && edited !== true
    return (
        <span className={`truncate text-[13px] ${isOut ? 'text-ink-3' : 'text-amber'}`}>
            {isOut
                ? 'Published: visitors see this.'
                : state === 'live'
                  ? 'With edits that are not published yet: visitors do not see them.'
                  : 'Not live: visitors do not see this page.'}
        </span>
    )
}
