import type { Schemas } from '../api/client'
import { Button } from '../ui/Button'
import { Hint } from '../ui/Hint'
import { mayOn } from './site'
import { usePageActs } from './usePageActs'

/** What the tabs of the sheet hold, as one says it. */
const partNames: Record<string, string> = {
    details: 'the details',
    content: 'the content',
    search: 'what stands under Search',
}

/** Puts the page, or what was saved of it since, before visitors; only what is saved goes, so what is not is saved first. */
export function LiveButton({ sheet, unsaved }: { sheet: Schemas['PageSheet']; unsaved: string[] }) {
    const manages = mayOn(sheet, 'publish')
    const { act } = usePageActs()
    if (!manages || sheet.state === 'bin') return null
    const waits = unsaved.length > 0
    const first = `Save ${unsaved.map(part => partNames[part] ?? part).join(' and ')} first, or it stays behind`
    const says = (otherwise: string) => (waits ? first : otherwise)
    if (sheet.state !== 'live')
        return (
            <Hint description={says('Visitors see the page from now on')}>
                <span>
                    <Button variant="main" disabled={waits} onClick={() => void act('go-live', [sheet])}>
                        Go live
                    </Button>
                </span>
            </Hint>
        )
    return (
        <>
            {sheet.edited && (
                <Hint description={says('Visitors get everything that was saved since')}>
                    <span>
                        <Button variant="main" disabled={waits} onClick={() => void act('publish', [sheet])}>
                            Publish edits
                        </Button>
                    </span>
                </Hint>
            )}
            <Button onClick={() => void act('take-offline', [sheet])}>Take offline</Button>
        </>
    )
}
