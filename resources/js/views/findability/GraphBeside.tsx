import { useState } from 'react'
import { readable } from '../../ui/Address'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { Field } from '../../ui/Field'
import { Muted } from '../../ui/Muted'
import { around, found, type Graph } from './graph'
import type { OpenPage } from './search'

type Props = { graph: Graph; chosen: number | null; onChoose: (page: number | null) => void; onPage: OpenPage }

/** The page that is chosen in the drawing, with what leads to it and where it leads, as lists to go through by keyboard. */
export function GraphBeside({ graph, chosen, onChoose, onPage }: Props) {
    const [text, setText] = useState('')
    const page = chosen === null ? undefined : graph.pages[chosen]
    const near = chosen === null ? { into: [], out: [] } : around(graph, chosen)
    const hits = found(graph.pages, text, 20)
    return (
        <aside aria-label="Page in the drawing" className="min-h-0 overflow-y-auto border-l border-line p-4">
            <Field
                stacked
                type="search"
                label="Find a page in the drawing"
                value={text}
                onChange={event => setText(event.target.value)}
            />
            <Names
                graph={graph}
                pages={hits.map(({ n }) => n)}
                onChoose={n => {
                    onChoose(n)
                    setText('')
                }}
            />
            {text.trim() !== '' && hits.length === 0 && (
                <Muted small>No page that is drawn has “{text.trim()}” in its name or address.</Muted>
            )}
            {page === undefined ? (
                text === '' && (
                    <Muted small>
                        Click a page to see what leads to it and where it leads. The larger a page, the more weight
                        links give it.
                    </Muted>
                )
            ) : (
                <div className="grid gap-1 pt-2">
                    <h2 className="text-[16px] font-bold">{page.name}</h2>
                    <p className="font-mono text-[12px] break-all text-ink-3">{readable(page.address)}</p>
                    <p>
                        {page.clicks === null ? 'Nothing leads to it' : `${count(page.clicks, 'click')} from the start`}
                        , {count(page.linksIn, 'link')} of content, weight {page.weight}
                    </p>
                    <span>
                        <Button onClick={() => onPage(page.id, 'details')}>Open the page</Button>
                    </span>
                    <h3 className="mt-3 font-semibold text-heron">Leads to it</h3>
                    {near.into.length === 0 ? (
                        <Muted small>Nothing that is drawn.</Muted>
                    ) : (
                        <Names graph={graph} pages={near.into} onChoose={onChoose} />
                    )}
                    <h3 className="mt-3 font-semibold text-reed">Where it leads</h3>
                    {near.out.length === 0 ? (
                        <Muted small>Nowhere that is drawn.</Muted>
                    ) : (
                        <Names graph={graph} pages={near.out} onChoose={onChoose} />
                    )}
                </div>
            )}
        </aside>
    )
}

function Names({ graph, pages, onChoose }: { graph: Graph; pages: number[]; onChoose: (page: number) => void }) {
    return (
        <ul>
            {pages.map(n => (
                <li key={n} className="flex items-baseline gap-2">
                    <button
                        type="button"
                        className="max-w-[75%] shrink-0 truncate py-0.5 text-left text-heron hover:underline"
                        onClick={() => onChoose(n)}
                    >
                        {graph.pages[n]?.name}
                    </button>
                    <span className="truncate font-mono text-[12px] text-ink-3" title={graph.pages[n]?.address}>
                        {readable(graph.pages[n]?.address ?? '')}
                    </span>
                </li>
            ))}
        </ul>
    )
}
