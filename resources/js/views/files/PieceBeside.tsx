import { Link } from '@tanstack/react-router'
import type { JSONContent } from '@tiptap/react'
import { answered, api } from '../../api/client'
import type { PieceDetail } from '../../app/pieces'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Muted } from '../../ui/Muted'
import { moment } from '../../ui/time'

type Props = { piece: PieceDetail; onBring: (document: JSONContent) => void }

/** The pages that show a piece, and what it said before. */
export function PieceBeside({ piece, onBring }: Props) {
    const site = useSite()
    const bring = async (number: number) =>
        onBring(
            (await answered(
                api.GET('/sites/{site}/pieces/{piece}/versions/{number}', {
                    params: { path: { site: site.key, piece: piece.id, number: String(number) } },
                }),
            )) as JSONContent,
        )
    return (
        <div className="grid w-[260px] shrink-0 content-start gap-5 text-[13px]">
            <section aria-label="Shown on">
                <h2 className="mb-1 font-semibold">Shown on</h2>
                {piece.usedIn.length === 0 && (
                    <Muted small>No page yet. In a page, insert the block “Shared piece”.</Muted>
                )}
                <ul className="grid gap-1">
                    {piece.usedIn.map(page => (
                        <li key={page.id}>
                            <Link
                                to="/s/$site/outline"
                                params={{ site: site.key }}
                                search={{ page: page.id, row: page.id, tab: 'content' }}
                                className="font-semibold text-heron underline-offset-2 hover:underline"
                            >
                                {page.name}
                            </Link>
                            {!page.live && <span className="text-ink-3">, not for visitors yet</span>}
                        </li>
                    ))}
                </ul>
            </section>
            {piece.versions.length > 1 && (
                <section aria-label="Earlier versions">
                    <h2 className="mb-1 font-semibold">Earlier versions</h2>
                    <ul className="grid gap-1">
                        {piece.versions.slice(1).map(version => (
                            <li key={version.number} className="flex items-center gap-2">
                                <span className="min-w-0 flex-1 text-ink-2">
                                    {moment(version.at)}
                                    {version.by !== null && `, ${version.by}`}
                                </span>
                                {site.may('files') && (
                                    <Button
                                        variant="quiet"
                                        aria-label={`Use version ${version.number}`}
                                        onClick={() => void bring(version.number)}
                                    >
                                        Use
                                    </Button>
                                )}
                            </li>
                        ))}
                    </ul>
                </section>
            )}
        </div>
    )
}
