import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { mayOn } from '../../app/site'
import { Button } from '../../ui/Button'

/** A page in the bin says so, and how it comes back. */
export function InBin({ sheet, onGoTo }: { sheet: Schemas['PageSheet']; onGoTo: (page: string) => void }) {
    const manages = mayOn(sheet, 'retire')
    const { propose } = useChanges()
    const root = sheet.bin
    if (root === null) return null
    return (
        <div className="mt-2.5 rounded-md bg-berry-soft px-3 py-2">
            {root.id === sheet.id ? (
                <>
                    <p>
                        This page is in the bin. Visitors do not get it; it takes part in nothing until it is brought
                        back.
                    </p>
                    {manages && (
                        <div className="mt-1.5">
                            <Button
                                onClick={() =>
                                    void propose({
                                        title: `Bringing ${sheet.name} back`,
                                        act: 'Bring back',
                                        always: true,
                                        batch: { changes: [{ kind: 'bring-back', page: sheet.id }] },
                                    })
                                }
                            >
                                Bring back
                            </Button>
                        </div>
                    )}
                </>
            ) : (
                <p>
                    This page went into the bin with{' '}
                    <button
                        type="button"
                        className="font-semibold underline underline-offset-2"
                        onClick={() => onGoTo(root.id)}
                    >
                        {root.name}
                    </button>
                    .
                </p>
            )}
        </div>
    )
}
