import type { Editor } from '@tiptap/react'
import { Command } from 'cmdk'
import { Modal } from '../../ui/Modal'
import { blockList } from './blockList'
import { likeness } from './likeness'
import type { OpenSettings } from './settings'

type Props = { editor: Editor; onClose: () => void; onSettings: (settings: OpenSettings) => void }

/** Every block there is, found by typing any of its names. */
export function BlockPalette({ editor, onClose, onSettings }: Props) {
    return (
        <Modal
            open
            onClose={() => {
                onClose()
                editor.commands.focus()
            }}
            title="Insert a block"
            width={440}
        >
            <Command label="Block" filter={likeness} className="rounded-md border border-edge">
                <Command.Input
                    autoFocus
                    placeholder="Find a block"
                    className="h-9 w-full border-b border-line bg-transparent px-3 outline-none"
                />
                <Command.List className="max-h-[46vh] overflow-y-auto p-1">
                    <Command.Empty className="px-2.5 py-1.5 text-ink-3">No block is called that.</Command.Empty>
                    {blockList.map(({ group, choices }) => (
                        <Command.Group
                            key={group}
                            heading={group}
                            className="[&_[cmdk-group-heading]]:px-2.5 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-0.5 [&_[cmdk-group-heading]]:text-[12px] [&_[cmdk-group-heading]]:text-ink-3"
                        >
                            {choices.map(choice => (
                                <Command.Item
                                    key={choice.name}
                                    value={choice.name}
                                    keywords={choice.also.split(' ')}
                                    onSelect={() => {
                                        onClose()
                                        choice.put(editor, onSettings)
                                    }}
                                    className="flex cursor-pointer items-center gap-2.5 rounded px-2.5 py-1 data-[selected=true]:bg-heron-soft"
                                >
                                    <choice.icon size={16} aria-hidden className="shrink-0 text-ink-2" />
                                    <span className="font-semibold whitespace-nowrap">{choice.name}</span>
                                    <span className="truncate text-[12px] text-ink-3">{choice.hint}</span>
                                </Command.Item>
                            ))}
                        </Command.Group>
                    ))}
                </Command.List>
            </Command>
        </Modal>
    )
}
