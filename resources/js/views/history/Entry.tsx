import clsx from 'clsx'
import type { Schemas } from '../../api/client'
import { Sentence } from '../../app/Sentence'
import { useSite } from '../../app/site'
import { clock } from '../../ui/time'

type Props = {
    entry: Schemas['HistoryEntry']
    isOpen: boolean
    chosen: boolean
    onOpen: () => void
    onChoose: () => void
}

/** One change: when, what in a sentence, who, why. */
export function Entry({ entry, isOpen, chosen, onOpen, onChoose }: Props) {
    const { writes } = useSite()
    // Every version of content and of a file is kept: it is brought back there rather than undone here.
    const over = entry.undone || entry.thinned || entry.version !== null || entry.file !== null || entry.piece !== null
    return (
        <li
            className={clsx(
                'grid grid-cols-[20px_52px_minmax(0,1fr)_auto] items-baseline gap-x-2.5 rounded px-1 py-1',
                isOpen ? 'bg-heron-soft' : 'hover:bg-sunk',
            )}
        >
            {writes ? (
                <input
                    type="checkbox"
                    aria-label={`Choose: ${plain(entry.sentence)}`}
                    disabled={over}
                    checked={chosen}
                    onChange={onChoose}
                    className="accent-heron"
                />
            ) : (
                <span />
            )}
            <time dateTime={entry.at} className="text-[13px] text-ink-3">
                {clock(entry.at)}
            </time>
            <button type="button" aria-expanded={isOpen} onClick={onOpen} className="min-w-0 text-left">
                <span
                    className={clsx(
                        'hover:underline hover:underline-offset-2',
                        entry.undone && 'text-ink-3 line-through',
                    )}
                >
                    <Sentence text={entry.sentence} />
                </span>
                {entry.undone && <span className="ml-2 text-[12px] text-ink-3">undone</span>}
                {entry.thinned && <span className="ml-2 text-[12px] text-ink-3">details removed</span>}
                {entry.note !== '' && <span className="block text-[13px] text-ink-2">“{entry.note}”</span>}
            </button>
            <span className="text-[13px] text-ink-2">{entry.by ?? 'by schedule'}</span>
        </li>
    )
}

const plain = (sentence: string) => sentence.replaceAll('*', '')
