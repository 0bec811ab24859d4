import { ulid } from '../../api/ulid'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { SidePanel } from '../../ui/SidePanel'
import { date } from '../../ui/time'
import { changeOf, draftOf } from './draft'
import { Missed } from './Missed'
import { Near } from './Near'
import { Spark } from './Spark'
import { Steps } from './Steps'
import { answerWords, type Row } from './labels'

type Props = {
    row: Row
    onClose: () => void
    onPage: (page: string) => void
    onTry: (address: string) => void
    onRedirect: (source: string) => void
    onMade: (id: string) => void
}

/** An address that no rule of its own answers at: a page's, a former one, one that is gone or kept, or one that was missed. */
export function AddressPanel({ row, onClose, onPage, onTry, onRedirect, onMade }: Props) {
    const site = useSite()
    const { propose } = useChanges()
    const page = row.page
    const writes = site.may('addresses')
    const byHand = () => {
        if (page === null) return
        const id = ulid()
        void propose({
            title: `Making ${row.address} a redirect by hand`,
            act: 'Make it a redirect',
            batch: {
                changes: [
                    { kind: 'remove-address', page: page.id, address: row.address },
                    { kind: 'make-redirect', redirect: id, source: row.address, leadsTo: { page: page.id } },
                ],
            },
            now: true,
            done: () => onMade(id),
        })
    }
    const answer = (kind: 'serve' | 'send-on') =>
        page !== null &&
        void propose({
            title: `Changing how ${row.address} answers`,
            act: 'Change it',
            batch: {
                changes: [
                    { kind: 'remove-address', page: page.id, address: row.address },
                    { kind: 'add-address', page: page.id, address: row.address, answer: kind },
                ],
            },
            now: true,
        })
    const removed = row.kind === 'removed' ? row.redirect : null
    const bringBack = () => {
        if (removed === null) return
        const change = changeOf('make-redirect', draftOf(removed, null))
        void propose({
            title: `Bringing back the redirect of ${row.address}`,
            act: 'Bring it back',
            batch: { changes: [change] },
            now: true,
            done: () => onMade(removed.id),
        })
    }
    const away = () =>
        page !== null &&
        void propose({
            title: `Removing ${row.address}`,
            act: 'Remove it',
            batch: { changes: [{ kind: 'remove-address', page: page.id, address: row.address }] },
            now: true,
            done: onClose,
        })
    return (
        <SidePanel
            label="Address"
            title={row.address}
            description={answerWords(row)}
            mono
            close="Close the address"
            width="w-[420px] max-lg:w-[360px]"
            onClose={onClose}
        >
            <div className="grid content-start gap-3 overflow-y-auto px-4 pb-4">
                <dl className="grid grid-cols-[88px_1fr] gap-x-3 gap-y-1.5">
                    {page !== null && (
                        <>
                            <dt className="text-ink-2">Page</dt>
                            <dd>
                                <button
                                    type="button"
                                    className="text-heron hover:underline"
                                    onClick={() => onPage(page.id)}
                                >
                                    {page.name}
                                </button>
                            </dd>
                        </>
                    )}
                    {row.leadsTo !== null && (
                        <>
                            <dt className="text-ink-2">Leads to</dt>
                            <dd className="font-mono text-[13px] break-all">{row.leadsTo}</dd>
                        </>
                    )}
                    {row.since !== null && (
                        <>
                            <dt className="text-ink-2">
                                {row.kind === 'missed' ? 'First asked' : removed !== null ? 'Removed' : 'Since'}
                            </dt>
                            <dd>{date(row.since)}</dd>
                        </>
                    )}
                    {row.sentence !== null && (
                        <>
                            <dt className="text-ink-2">By</dt>
                            <dd>{row.sentence.replaceAll('*', '')}</dd>
                        </>
                    )}
                </dl>
                <div className="flex flex-wrap gap-2 empty:hidden">
                    {removed !== null && (
                        <p className="w-full text-ink-2">{removed.note === '' ? 'It had no note.' : removed.note}</p>
                    )}
                    {writes && removed !== null && (
                        <Button variant="main" onClick={bringBack}>
                            Bring it back
                        </Button>
                    )}
                    {row.kind === 'reserved' && (
                        <p className="w-full text-ink-2">
                            The system answers here itself, or keeps it for later. No page and no redirect can have it.
                        </p>
                    )}
                    {row.kind !== 'missed' && row.kind !== 'bin' && row.kind !== 'reserved' && (
                        <Button onClick={() => onTry(row.address)}>Test it</Button>
                    )}
                    {writes && row.kind === 'former' && (
                        <>
                            <Button onClick={byHand}>Make it a redirect by hand</Button>
                            <Button onClick={() => answer('serve')}>Show the page here</Button>
                            <Button variant="breaks" onClick={away}>
                                Return 410 (gone)
                            </Button>
                        </>
                    )}
                    {writes && row.kind === 'also' && (
                        <>
                            <Button onClick={() => answer('send-on')}>Redirect instead</Button>
                            <Button onClick={byHand}>Make it a redirect by hand</Button>
                            <Button variant="breaks" onClick={away}>
                                Remove it
                            </Button>
                        </>
                    )}
                    {writes && row.kind === 'gone' && (
                        <Button onClick={() => onRedirect(row.address)}>Make a redirect of it</Button>
                    )}
                </div>
                {row.kind !== 'removed' && row.kind !== 'reserved' && <Steps address={row.address} />}
                {row.kind === 'former' && row.hits.length > 0 && (
                    <p>
                        <Spark hits={row.hits} />
                    </p>
                )}
                {row.kind === 'missed' && <Missed address={row.address} />}
                {row.kind === 'missed' && (
                    <Near
                        address={row.address}
                        writes={writes}
                        onRedirect={onRedirect}
                        onMade={onMade}
                        onIgnored={onClose}
                    />
                )}
            </div>
        </SidePanel>
    )
}
