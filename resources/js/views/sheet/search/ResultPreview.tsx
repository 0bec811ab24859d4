import clsx from 'clsx'
import { useState } from 'react'
import { readable } from '../../../ui/Address'
import type { Appearance } from './draft'

/** The page as a search result, cut where engines cut it. */
export function ResultPreview({ shown }: { shown: Appearance }) {
    const [isNarrow, setNarrow] = useState(false)
    const tab = (isOn: boolean) =>
        clsx('px-1 pb-0.5', isOn ? 'text-ink shadow-[inset_0_-2px_var(--heron)]' : 'text-ink-3 hover:text-ink')
    return (
        <section aria-label="As a search result">
            <div role="group" aria-label="Screen" className="mb-1.5 flex gap-3 text-[12px]">
                <button
                    type="button"
                    aria-pressed={!isNarrow}
                    className={tab(!isNarrow)}
                    onClick={() => setNarrow(false)}
                >
                    Wide screen
                </button>
                <button type="button" aria-pressed={isNarrow} className={tab(isNarrow)} onClick={() => setNarrow(true)}>
                    Phone
                </button>
            </div>
            <div className={clsx('min-h-[116px] rounded-md bg-sunk px-4 py-3', isNarrow && 'max-w-[320px]')}>
                <p className="truncate font-mono text-[12px] text-ink-2">
                    {readable(shown.url).replace(/^https?:\/\//, '')}
                </p>
                <p className="mt-1 font-[Liberation_Sans] text-[18px] leading-6 text-heron">{shown.title.shown}</p>
                <p className="mt-1 font-[Liberation_Sans] text-[13px] leading-5 text-ink-2">
                    {shown.description.text === ''
                        ? 'No description.'
                        : isNarrow
                          ? shown.description.shownNarrow
                          : shown.description.shown}
                </p>
                {shown.robots !== '' && (
                    <p className="mt-1 text-[12px] text-amber">Engines are asked: {shown.robots}.</p>
                )}
            </div>
        </section>
    )
}
