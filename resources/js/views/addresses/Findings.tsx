import { useQuery } from '@tanstack/react-query'
import type { Schemas } from '../../api/client'
import { redirectFindingsQuery } from '../../api/addressQueries'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Modal } from '../../ui/Modal'
import { findingWords, mendWords } from './findingWords'
import { Alert } from '../../ui/Alert'
import { Muted } from '../../ui/Muted'

type Finding = Schemas['RedirectFinding']

/** What is noticed of the redirects, what mends each, and all chains straightened in one change. */
export function Findings({ onClose, onRedirect }: { onClose: () => void; onRedirect: (id: string) => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const { data: findings, error } = useQuery(redirectFindingsQuery(site.key))
    const chains = (findings ?? []).filter(each => each.kind === 'chain' && each.mend !== null)
    const mend = (several: Finding[], title: string, act: string) => {
        onClose()
        void propose({ title, act, always: true, batch: { changes: several.flatMap(each => each.mend ?? []) } })
    }
    return (
        <Modal
            open
            onClose={onClose}
            title="Findings"
            description="Every redirect followed as visitors would. Patterns are tried with one path that they match."
            width={680}
        >
            {error !== null && <Alert>{error.message}</Alert>}
            {findings?.length === 0 && (
                <p className="text-reed">Nothing to fix: every redirect leads in one step to something that answers.</p>
            )}
            {site.may('addresses') && chains.length > 1 && (
                <div className="mb-3">
                    <Button
                        variant="main"
                        onClick={() =>
                            mend(chains, `Straightening ${count(chains.length, 'redirect')}`, 'Straighten them')
                        }
                    >
                        Straighten all {chains.length}
                    </Button>
                </div>
            )}
            <div className="grid gap-4">
                {(Object.entries(findingWords) as [Finding['kind'], [string, string]][]).map(
                    ([kind, [title, says]]) => {
                        const of = (findings ?? []).filter(each => each.kind === kind)
                        if (of.length === 0) return null
                        return (
                            <section key={kind} aria-label={title}>
                                <h3 className="font-semibold">
                                    {title}{' '}
                                    <span className="font-normal text-ink-3 tabular-nums">
                                        {of.length.toLocaleString('en-GB')}
                                    </span>
                                </h3>
                                <Muted small>{says}</Muted>
                                <ul className="mt-1">
                                    {of.slice(0, 100).map(each => (
                                        <li
                                            key={each.redirect}
                                            className="flex min-h-8 items-center gap-2 border-t border-line"
                                        >
                                            <button
                                                type="button"
                                                onClick={() => {
                                                    onClose()
                                                    onRedirect(each.redirect)
                                                }}
                                                className="min-w-0 truncate font-mono text-[13px] text-heron hover:underline"
                                            >
                                                {each.source}
                                            </button>
                                            <span className="min-w-0 flex-1 truncate text-[12px] text-ink-2">
                                                {more(each)}
                                            </span>
                                            {site.may('addresses') &&
                                                (each.mend !== null ? (
                                                    <Button
                                                        variant="quiet"
                                                        aria-label={`${mendWords[kind]} ${each.source}`}
                                                        onClick={() =>
                                                            mend([each], `Fixing ${each.source}`, mendWords[kind])
                                                        }
                                                    >
                                                        {mendWords[kind]}
                                                    </Button>
                                                ) : (
                                                    <Button
                                                        variant="quiet"
                                                        aria-label={`Open ${each.source}`}
                                                        onClick={() => {
                                                            onClose()
                                                            onRedirect(each.redirect)
                                                        }}
                                                    >
                                                        Open
                                                    </Button>
                                                ))}
                                        </li>
                                    ))}
                                </ul>
                                {of.length > 100 && <Muted small>and {count(of.length - 100, 'more', 'more')}</Muted>}
                            </section>
                        )
                    },
                )}
            </div>
        </Modal>
    )
}

function more({ kind, other, page, isSure, days, steps }: Finding) {
    const said = [
        kind === 'chain' && `${steps} steps${other === null ? '' : `, next ${other.source}`}`,
        kind === 'never-fires' &&
            (other !== null ? `${other.source} takes them` : page !== null ? `“${page.name}” is there` : ''),
        kind === 'hides-page' && page !== null && `“${page.name}”`,
        kind === 'doubled' && other !== null && `like ${other.source}`,
        kind === 'idle' && count(days, 'day'),
        !isSure && 'tried with one path',
    ]
    return said.filter(part => part !== false && part !== '').join(', ')
}
