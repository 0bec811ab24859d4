import type { Editor } from '@tiptap/react'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { isSettable } from '../../app/content/blocks'
import type { OpenSettings } from '../../app/content/settings'
import { tableActs } from '../../app/content/table'
import { notify } from '../../app/notify'
import {
    addColumn,
    around,
    canStandBeside,
    copyBlock,
    dissolveColumns,
    duplicateBlock,
    moveBlock,
    putBeside,
    removeBlock,
    setBlock,
} from './blockActs'

type Props = {
    editor: Editor
    at: number
    open: boolean
    onOpenChange: (open: boolean) => void
    onSettings: (settings: OpenSettings) => void
    onName: (at: number) => void
    children: ReactNode
}

/** Everything that can be done with the block being worked in, and with what it stands in. */
export function BlockMenu({ editor, at, open, onOpenChange, onSettings, onName, children }: Props) {
    return (
        <DropdownMenu.Root open={open} onOpenChange={onOpenChange}>
            <DropdownMenu.Trigger asChild>{children}</DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content
                    align="start"
                    className="z-50 max-h-[70vh] min-w-[230px] overflow-y-auto rounded-md border border-line bg-sheet p-1 shadow-float"
                    onCloseAutoFocus={event => {
                        event.preventDefault()
                        editor.view.focus()
                    }}
                >
                    {open && <Items editor={editor} at={at} onSettings={onSettings} onName={onName} />}
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    )
}

function Items({ editor, at, onSettings, onName }: Pick<Props, 'editor' | 'at' | 'onSettings' | 'onName'>) {
    const node = editor.state.doc.nodeAt(at)
    if (node === null) return null
    const type = node.type.name
    const table = around(editor, at, 'table')
    const callout = around(editor, at, 'callout')
    const columns = around(editor, at, 'columns')
    const fold = around(editor, at, 'fold')
    const set = (place: number, attrs: Record<string, unknown>) => () => setBlock(editor, place, attrs)
    return (
        <>
            {isSettable(type) && (
                <Item act={() => onSettings({ type, attrs: node.attrs, at })}>
                    {type === 'table' ? 'Caption and heads…' : 'Settings…'}
                </Item>
            )}
            <Item act={() => moveBlock(editor, at, -1)} keys="Alt ↑">
                Move up
            </Item>
            <Item act={() => moveBlock(editor, at, 1)} keys="Alt ↓">
                Move down
            </Item>
            {canStandBeside(editor, at) && <Item act={() => putBeside(editor, at)}>Put beside the one before</Item>}
            <Item act={() => duplicateBlock(editor, at)}>Duplicate</Item>
            <Item
                act={() =>
                    void copyBlock(editor, at).then(
                        () => notify.success('Block copied. Paste it into any page.'),
                        () =>
                            notify.error('The browser does not allow copying here. Select the block and press Ctrl+C.'),
                    )
                }
            >
                Copy for another page
            </Item>
            <Item act={() => onName(at)}>
                {node.attrs.anchor ? 'Change its name for links…' : 'Name it for links…'}
            </Item>
            <Item act={set(at, { hidden: node.attrs.hidden === true ? null : true })}>
                {node.attrs.hidden === true ? 'Show to visitors' : 'Hide from visitors'}
            </Item>
            {node.isTextblock && type !== 'codeBlock' && (
                <Group label="Style">
                    <Chosen on={node.attrs.style === null} act={set(at, { style: null })}>
                        As the design has it
                    </Chosen>
                    <Chosen on={node.attrs.style === 'lead'} act={set(at, { style: 'lead' })}>
                        Lead
                    </Chosen>
                    <Chosen on={node.attrs.style === 'fine'} act={set(at, { style: 'fine' })}>
                        Small print
                    </Chosen>
                </Group>
            )}
            {table !== null && type !== 'table' && <TableItems editor={editor} />}
            {callout !== null && (
                <Group label="Call-out">
                    {tones.map(([tone, label]) => (
                        <Chosen
                            key={tone}
                            on={editor.state.doc.nodeAt(callout)?.attrs.tone === tone}
                            act={set(callout, { tone })}
                        >
                            {label}
                        </Chosen>
                    ))}
                </Group>
            )}
            {fold !== null && (
                <Group label="Expandable question">
                    <Chosen
                        on={editor.state.doc.nodeAt(fold)?.attrs.open === true}
                        act={set(fold, { open: editor.state.doc.nodeAt(fold)?.attrs.open !== true })}
                    >
                        Open when the page loads
                    </Chosen>
                    <Item act={() => removeBlock(editor, fold)}>Remove question and answer</Item>
                </Group>
            )}
            {columns !== null && (
                <Group label="Columns">
                    {shares.map(([share, label]) => (
                        <Chosen
                            key={share}
                            on={editor.state.doc.nodeAt(columns)?.attrs.share === share}
                            act={set(columns, { share })}
                        >
                            {label}
                        </Chosen>
                    ))}
                    {(editor.state.doc.nodeAt(columns)?.childCount ?? 4) < 4 && (
                        <Item act={() => addColumn(editor, columns)}>Add a column</Item>
                    )}
                    <Item act={() => dissolveColumns(editor, columns)}>One below the other</Item>
                </Group>
            )}
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            <Item act={() => removeBlock(editor, at)}>Remove block</Item>
        </>
    )
}

const tones = [
    ['note', 'Note'],
    ['tip', 'Tip'],
    ['warning', 'Warning'],
] as const

const shares = [
    ['equal', 'Equally wide'],
    ['first', 'First one wider'],
    ['last', 'Last one wider'],
] as const

function TableItems({ editor }: { editor: Editor }) {
    return (
        <Group label="Rows and columns">
            <Item act={() => tableActs.addRowBefore(editor)}>Add a row above</Item>
            <Item act={() => tableActs.addRowAfter(editor)} keys="Tab at the end">
                Add a row below
            </Item>
            <Item act={() => tableActs.addColumnBefore(editor)}>Add a column before</Item>
            <Item act={() => tableActs.addColumnAfter(editor)}>Add a column after</Item>
            <Item act={() => tableActs.deleteRow(editor)}>Remove this row</Item>
            <Item act={() => tableActs.deleteColumn(editor)}>Remove this column</Item>
        </Group>
    )
}

const item = 'flex cursor-pointer items-center gap-3 rounded px-2.5 py-1 outline-none data-[highlighted]:bg-heron-soft'

function Item({ act, keys, children }: { act: () => void; keys?: string; children: ReactNode }) {
    return (
        <DropdownMenu.Item className={item} onSelect={act}>
            {children}
            {keys !== undefined && <span className="ml-auto text-[12px] text-ink-3">{keys}</span>}
        </DropdownMenu.Item>
    )
}

function Chosen({ on, act, children }: { on: boolean; act: () => void; children: ReactNode }) {
    return (
        <DropdownMenu.CheckboxItem checked={on} className={item} onSelect={act}>
            <span className="w-3" aria-hidden>
                {on ? '✓' : ''}
            </span>
            {children}
        </DropdownMenu.CheckboxItem>
    )
}

function Group({ label, children }: { label: string; children: ReactNode }) {
    return (
        <DropdownMenu.Group>
            <DropdownMenu.Separator className="my-1 h-px bg-line" />
            <DropdownMenu.Label className="px-2.5 pt-0.5 text-[12px] text-ink-3">{label}</DropdownMenu.Label>
            {children}
        </DropdownMenu.Group>
    )
}
