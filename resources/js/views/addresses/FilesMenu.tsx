import { ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'

const formats: [string, string][] = [
    ['csv', 'Export as CSV'],
    ['jsonl', 'Export as JSON Lines'],
]

/** Redirects in and out as files. */
export function FilesMenu({ onBring, onSave }: { onBring: () => void; onSave: () => void }) {
    const site = useSite()
    const item = 'flex cursor-pointer items-center rounded px-2.5 py-1.5 outline-none data-[highlighted]:bg-heron-soft'
    return (
        <DropdownMenu.Root>
            <DropdownMenu.Trigger asChild>
                <Button>
                    {site.may('addresses') ? 'Import and export' : 'Export'}
                    <ChevronDown size={14} aria-hidden />
                </Button>
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align="end"
                    sideOffset={4}
                    className="z-50 min-w-[220px] rounded-md bg-sheet p-1 shadow-float"
                >
                    {site.may('addresses') && (
                        <>
                            <DropdownMenu.Item className={item} onSelect={onBring}>
                                Import redirects…
                            </DropdownMenu.Item>
                            <DropdownMenu.Separator className="my-1 h-px bg-line" />
                        </>
                    )}
                    {formats.map(([format, word]) => (
                        <DropdownMenu.Item key={format} className={item} asChild>
                            <a href={`/api/v1/sites/${site.key}/redirects-export?format=${format}`} download>
                                {word}
                            </a>
                        </DropdownMenu.Item>
                    ))}
                    <DropdownMenu.Item className={item} onSelect={onSave}>
                        Export for a web server…
                    </DropdownMenu.Item>
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    )
}
