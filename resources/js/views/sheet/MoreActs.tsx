import { Ellipsis } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { Schemas } from '../../api/client'
import { mayOn, useSite } from '../../app/site'
import { actsOn, actLabel } from '../../app/pageActs'
import { usePageActs } from '../../app/usePageActs'

/** What else can be done to the page, besides what has its own place on the sheet. */
export function MoreActs({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const { writes, isOwner } = useSite()
    const { act } = usePageActs()
    if (!writes) return null
    const here = new Set([
        'go-live',
        'take-offline',
        'send-for-review',
        'list-page',
        'unlist-page',
        'leave-out-of-addresses',
        'include-in-addresses',
        'protect',
        'unprotect',
    ])
    return (
        <DropdownMenu.Root>
            <DropdownMenu.Trigger
                aria-label="More"
                className="grid size-[30px] place-items-center rounded-md border border-edge bg-sheet text-ink-2 hover:bg-sunk"
            >
                <Ellipsis size={15} aria-hidden />
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align="end"
                    sideOffset={4}
                    className="z-50 min-w-[220px] rounded-md bg-sheet p-1 shadow-float"
                >
                    {actsOn(sheet, right => mayOn(sheet, right), isOwner)
                        .filter(each => !here.has(each))
                        .map(each => (
                            <DropdownMenu.Item
                                key={each}
                                onSelect={() => void act(each, [sheet])}
                                className={`cursor-pointer rounded px-2.5 py-1 outline-none data-[highlighted]:bg-heron-soft ${each === 'put-in-bin' ? 'text-berry' : ''}`}
                            >
                                {actLabel(each)}
                            </DropdownMenu.Item>
                        ))}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    )
}
