import { Kbd } from '../ui/Kbd'
import { Modal } from '../ui/Modal'

const groups: [string, [string, string][]][] = [
    [
        'Anywhere',
        [
            ['Ctrl K', 'Go to a page, or do something'],
            ['Ctrl Z', 'Undo'],
            ['Ctrl Shift Z', 'Redo'],
            ['Ctrl S', 'Save what is being written'],
            ['?', 'This sheet'],
        ],
    ],
    [
        'In the ripple tray',
        [
            ['Enter', 'Apply'],
            ['D', 'Use the defaults'],
            ['Esc', 'Cancel'],
        ],
    ],
    [
        'While writing a page',
        [
            ['/', 'Insert a block in an empty paragraph'],
            ['Alt ↑ ↓', 'Move the block'],
            ['Ctrl B', 'Bold'],
            ['Ctrl I', 'Italic'],
            ['Ctrl Shift L', 'Link'],
            ['Ctrl .', 'What can be done with the block'],
            ['Tab', 'To the next cell of a table'],
        ],
    ],
    [
        'In the outline',
        [
            ['↑ ↓', 'Move along the rows'],
            ['→ ←', 'Open and close a branch, or go in and out'],
            ['Enter', 'Open the page sheet'],
            ['E', 'Write on the page'],
            ['N', 'New page inside'],
            ['Shift N', 'New page after'],
            ['F2', 'Rename'],
            ['Shift F2', 'Change the slug'],
            ['Alt ↑ ↓', 'Move among siblings'],
            ['Alt → ←', 'Move under the one above, or out'],
            ['M', 'Move to…'],
            ['P', 'Add to picks'],
            ['Space', 'Mark the row'],
            ['Shift ↑ ↓', 'Mark a range'],
            ['Ctrl D', 'Duplicate'],
            ['Del', 'Put in the bin'],
            ['/', 'Filter'],
            ['Esc', 'Cancel; close the page sheet'],
        ],
    ],
]

export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
    return (
        <Modal open={open} onClose={onClose} title="Keys" width={680}>
            <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
                {groups.map(([title, keys]) => (
                    <section key={title}>
                        <h3 className="mb-1.5 text-[12px] text-ink-3">{title}</h3>
                        <dl className="grid gap-y-1.5">
                            {keys.map(([key, says]) => (
                                <div key={key} className="flex items-baseline gap-3">
                                    <dt className="flex w-[118px] shrink-0 gap-1">
                                        {key.split(' ').map(one => (
                                            <Kbd key={one}>{one}</Kbd>
                                        ))}
                                    </dt>
                                    <dd>{says}</dd>
                                </div>
                            ))}
                        </dl>
                    </section>
                ))}
            </div>
        </Modal>
    )
}
