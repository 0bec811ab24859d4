import { useQuery } from '@tanstack/react-query'
import { Link } from '@tanstack/react-router'
import { useState } from 'react'
import { Choice } from '../../ui/Choice'
import { count } from '../../ui/count'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { piecesQuery } from '../pieces'
import { useSite } from '../site'
import type { SharedAttrs } from './blocks'
import { DialogForm } from './DialogForm'

type Props = { shared: SharedAttrs; isNew: boolean; onClose: () => void; onTake: (shared: SharedAttrs) => void }

/** Which shared piece stands here. */
export function SharedDialog({ shared, isNew, onClose, onTake }: Props) {
    const site = useSite()
    const pieces = useQuery(piecesQuery(site.key))
    const [piece, choose] = useState(shared.piece)
    return (
        <DialogForm
            title="Shared piece"
            act={isNew ? 'Insert piece' : 'Use piece'}
            disabled={piece === ''}
            onClose={onClose}
            onSubmit={() => piece !== '' && onTake({ piece })}
        >
            <ReadFailure of={pieces} />
            {pieces.data?.length === 0 && <Muted>There are no shared pieces yet.</Muted>}
            <div role="radiogroup" aria-label="Shared pieces" className="grid max-h-[280px] gap-2 overflow-y-auto">
                {(pieces.data ?? []).map(each => (
                    <Choice
                        key={each.id}
                        type="radio"
                        name="piece"
                        checked={piece === each.id}
                        onChange={() => choose(each.id)}
                    >
                        <b className="font-semibold">{each.name}</b>
                        <span className="text-[12px] text-ink-3">on {count(each.uses, 'page')}</span>
                    </Choice>
                ))}
            </div>
            <Muted small>
                Pieces are written under{' '}
                <Link
                    to="/s/$site/files"
                    params={{ site: site.key }}
                    search={{ of: 'pieces' }}
                    className="font-semibold text-heron underline-offset-2 hover:underline"
                >
                    Files, Shared pieces
                </Link>
                . A change there shows on every page at once.
            </Muted>
        </DialogForm>
    )
}
