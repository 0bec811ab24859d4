import clsx from 'clsx'
import { useState } from 'react'
import type { Schemas } from '../../../api/client'
import { Button } from '../../../ui/Button'
import type { Appearance } from './draft'

type Props = { shown: Appearance; onFix: (fix: Schemas['Fix']) => void }

const marks = { error: 'text-berry', warning: 'text-amber', notice: 'text-ink-2' } as const
const severities = { error: 'Error', warning: 'Warning', notice: 'Notice' } as const
const fixWords: Record<Schemas['Fix'], string> = {
    title: 'Set title',
    description: 'Set description',
    details: 'Open details',
    content: 'Open content',
    canonical: 'Set canonical',
    robots: 'Set index',
    sitemap: 'Set sitemap',
    social: 'Set picture',
    phrase: 'Set phrase',
    links: 'Open details',
    menus: 'Open details',
    redirects: '',
    site: '',
}

/** The findability score with every check that applies: what it looked at, what it weighs, and where it is mended. */
export function CheckList({ shown, onFix }: Props) {
    const [isWhole, setWhole] = useState(false)
    const found = shown.checks.filter(check => check.says !== null)
    const passed = shown.checks.filter(check => check.says === null)
    return (
        <section aria-label="Findability score" className="grid gap-2">
            <h3 className="flex items-baseline gap-2 font-semibold">
                Findability score
                <span className="ml-auto text-[20px] leading-6">{shown.score}</span>
                <span className="text-[12px] font-normal text-ink-3">of 100</span>
            </h3>
            {found.length === 0 && <p className="text-reed">Every check passes.</p>}
            <ul>
                {found.map(check => (
                    <li key={check.code} className="flex items-start gap-2 border-t border-line py-1.5">
                        <span className="min-w-0 flex-1">
                            <span className="block">{check.says}</span>
                            <span className="block text-[12px] leading-4 text-ink-3">
                                <b className={clsx('font-semibold', marks[check.severity])}>
                                    {severities[check.severity]}
                                </b>
                                , weight {check.weight}. {check.why}
                            </span>
                        </span>
                        {fixWords[check.fix] !== '' && (
                            <Button variant="quiet" className="h-6! text-[12px]" onClick={() => onFix(check.fix)}>
                                {fixWords[check.fix]}
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            <div>
                <Button variant="quiet" className="-ml-2" aria-expanded={isWhole} onClick={() => setWhole(!isWhole)}>
                    {isWhole ? 'Hide' : 'Show'} {passed.length} checks that pass
                </Button>
            </div>
            {isWhole && (
                <ul className="text-[12px] text-ink-2">
                    {passed.map(check => (
                        <li key={check.code} className="flex gap-2 border-t border-line py-1">
                            <span className="flex-1">No: {check.title.toLowerCase()}</span>
                            <span className="text-ink-3">weight {check.weight}</span>
                        </li>
                    ))}
                </ul>
            )}
        </section>
    )
}
