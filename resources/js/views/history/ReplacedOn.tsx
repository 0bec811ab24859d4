import type { Schemas } from '../../api/client'
import { Button } from '../../ui/Button'

type Page = Schemas['PageCrumb']

/** The pages on which a text was replaced, each of which is undone by itself. */
export function ReplacedOn({ pages, onUndo }: { pages: Page[]; onUndo: (page: Page) => void }) {
    return (
        <section aria-label="Pages" className="mt-5">
            <h3 className="mb-1 font-semibold">On these pages</h3>
            <ul className="max-h-[280px] overflow-y-auto border-y border-line">
                {pages.map(page => (
                    <li key={page.id} className="flex items-center gap-2 border-t border-line first:border-t-0">
                        <span className="min-w-0 flex-1 truncate">{page.name}</span>
                        <Button
                            variant="quiet"
                            aria-label={`Undo on this page… ${page.name}`}
                            onClick={() => onUndo(page)}
                        >
                            Undo on this page…
                        </Button>
                    </li>
                ))}
            </ul>
        </section>
    )
}
