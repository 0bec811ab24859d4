import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { Plus } from 'lucide-react'
import { useState } from 'react'
import { redirectFindingsQuery } from '../../api/addressQueries'
import { useAsked } from '../../app/asked'
import { useSite } from '../../app/site'
import { Button, buttonClasses } from '../../ui/Button'
import { count } from '../../ui/count'
import { useDebounced } from '../../ui/useDebounced'
import { AddressFacets } from './AddressFacets'
import { AddressList } from './AddressList'
import { AddressPanel } from './AddressPanel'
import { AddressTree } from './AddressTree'
import { BringIn } from './BringIn'
import { FilesMenu } from './FilesMenu'
import { Findings } from './Findings'
import { NewRedirect } from './NewRedirect'
import { PatternOrder } from './PatternOrder'
import { RedirectPanel } from './RedirectPanel'
import type { Search, SetSearch } from './search'
import { ServerFiles } from './ServerFiles'
import { TryAddresses } from './TryAddresses'
import { useAddresses } from './useAddresses'
import { key } from './labels'
import { Muted } from '../../ui/Muted'
import { PageTitle } from '../../ui/PageTitle'
import { ReadFailure } from '../../ui/ReadFailure'

/** Every address the site answers or ever answered, in one place. */
export function AddressesView({
    search,
    set,
    onPage,
}: {
    search: Search
    set: SetSearch
    onPage: (page: string) => void
}) {
    const site = useSite()
    const filter = {
        text: useDebounced(search.text, 100),
        kind: search.kind,
        status: search.status,
        hits: search.hits,
        finding: search.finding,
    }
    const addresses = useAddresses(site.key, filter)
    const { rows, counts } = addresses
    const [making, setMaking] = useState<string | null>(null)
    const [isBringing, bring] = useState(false)
    const [isLooking, look] = useState(false)
    const [isSaving, save] = useState(false)
    const [isOrdering, order] = useState(false)
    const examined = useQuery(redirectFindingsQuery(site.key))
    const findings = examined.data ?? []
    const [trying, setTrying] = useState<string | null>(null)
    useAsked(({ what, text = '' }) => {
        const opens: Record<string, () => void> = {
            'new-redirect': () => setMaking(text),
            'import-redirects': () => bring(true),
            test: () => setTrying(''),
        }
        opens[what]?.()
        return what in opens
    })
    const open = rows.find(row => key(row) === search.row)
    const isRedirect = search.row !== undefined && /^[0-9A-Z]{26}$/.test(search.row)
    const compact = search.row !== undefined
    const all = Object.values(counts).reduce((sum, each) => sum + each, 0)
    return (
        <main className="flex h-full min-h-0 min-w-0">
            <div className="flex min-w-0 flex-1 flex-col">
                <div className="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2">
                    <PageTitle help="poster">Addresses</PageTitle>
                    {!compact && all > 0 && (
                        <Muted>
                            <b className="font-semibold text-ink">{all.toLocaleString('en-GB')}</b> known
                        </Muted>
                    )}
                    <ReadFailure of={examined} />
                    {all > 0 && findings.length > 0 && (
                        <Button variant="quiet" className="text-amber!" onClick={() => look(true)}>
                            {count(findings.length, 'finding')}
                        </Button>
                    )}
                    <span className="ml-auto flex items-center gap-2">
                        <div role="group" aria-label="Shown as" className="flex">
                            <Button
                                variant="quiet"
                                aria-pressed={search.as === undefined}
                                className={search.as === undefined ? 'text-heron' : 'text-ink-3'}
                                onClick={() => set({ as: undefined })}
                            >
                                List
                            </Button>
                            <Button
                                variant="quiet"
                                aria-pressed={search.as === 'tree'}
                                className={search.as === 'tree' ? 'text-heron' : 'text-ink-3'}
                                onClick={() => set({ as: 'tree', row: undefined })}
                            >
                                Tree
                            </Button>
                        </div>
                        {site.may('addresses') &&
                            search.kind === 'pattern' &&
                            search.as === undefined &&
                            (counts['pattern'] ?? 0) > 1 && (
                                <Button onClick={() => order(true)}>Order of patterns</Button>
                            )}
                        {site.may('addresses') && (
                            <Link
                                to="/s/$site/addresses/matching"
                                params={{ site: site.key }}
                                search={{}}
                                className={buttonClasses()}
                            >
                                Match old addresses
                            </Link>
                        )}
                        <FilesMenu onBring={() => bring(true)} onSave={() => save(true)} />
                        <Button onClick={() => setTrying('')}>Test addresses</Button>
                        {site.may('addresses') && (
                            <Button variant="main" onClick={() => setMaking('')}>
                                <Plus size={15} aria-hidden />
                                New redirect
                            </Button>
                        )}
                    </span>
                </div>
                {search.as === undefined && (
                    <AddressFacets search={search} set={set} counts={counts} findings={findings} />
                )}
                {search.as === 'tree' ? (
                    <AddressTree
                        onAddress={address => set({ as: undefined, text: address, kind: undefined, row: undefined })}
                    />
                ) : (
                    <AddressList
                        addresses={addresses}
                        findings={findings}
                        ofMissed={search.kind === 'missed'}
                        active={search.row}
                        compact={compact}
                        onActive={row => set({ row: key(row) })}
                    />
                )}
            </div>
            {isRedirect && search.row !== undefined && (
                <RedirectPanel
                    key={search.row}
                    id={search.row}
                    row={open}
                    onClose={() => set({ row: undefined })}
                    onPage={onPage}
                    onGone={() => set({ row: undefined })}
                />
            )}
            {!isRedirect && open !== undefined && (
                <AddressPanel
                    key={search.row}
                    row={open}
                    onClose={() => set({ row: undefined })}
                    onPage={onPage}
                    onTry={setTrying}
                    onRedirect={setMaking}
                    onMade={id => set({ row: id })}
                />
            )}
            {making !== null && (
                <NewRedirect source={making} onClose={() => setMaking(null)} onMade={id => set({ row: id })} />
            )}
            {isBringing && <BringIn onClose={() => bring(false)} />}
            {isSaving && <ServerFiles onClose={() => save(false)} />}
            {isOrdering && <PatternOrder onClose={() => order(false)} />}
            {isLooking && (
                <Findings
                    onClose={() => look(false)}
                    onRedirect={id =>
                        set({
                            row: id,
                            kind: undefined,
                            text: undefined,
                            status: undefined,
                            hits: undefined,
                            finding: undefined,
                            as: undefined,
                        })
                    }
                />
            )}
            {trying !== null && <TryAddresses first={trying} onClose={() => setTrying(null)} />}
        </main>
    )
}
