import { useQuery } from '@tanstack/react-query'
import { useState, type ReactNode } from 'react'
import { ApiProblem } from '../../api/client'
import { pageQuery } from '../../api/queries'
import { PickPage } from '../../app/PickPage'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { Choice } from '../../ui/Choice'
import { count } from '../../ui/count'
import { FieldFrame } from '../../ui/Field'
import { Select } from '../../ui/Select'
import type { SourceActs } from './useSource'
import { delimiters, encodings, formats, type Format, type Source } from './words'

// Of one length, so that nothing below them moves.
const becomesOf = {
    draft: 'What changes on live pages waits to be published.',
    live: 'Visitors see them as soon as they have been imported.',
    given: 'Those of which it says nothing are imported as drafts.',
}

const byLooks = ['', 'as it looks'] as const

/** How it is read, and what becomes of it. */
export function SourceForm({ source, acts }: { source: Source; acts: SourceActs }) {
    const site = useSite()
    const [picking, pick] = useState(false)
    const { said } = source
    const { mutate: say, error } = acts.say
    const problem = error instanceof ApiProblem ? error : null
    const under = useQuery({ ...pageQuery(site.key, said.under ?? ''), enabled: said.under !== null })
    const frame = (label: string, field: string, control: (id: string) => ReactNode, hint?: string) => (
        <FieldFrame stacked label={label} hint={hint} error={problem?.reasonFor(field)?.reason}>
            {({ id }) => control(id)}
        </FieldFrame>
    )
    return (
        <form className="grid grid-cols-[minmax(0,1fr)] content-start gap-3" onSubmit={event => event.preventDefault()}>
            {frame('Read as', 'format', id => (
                <Select
                    id={id}
                    value={said.format ?? (source.format as Format | null) ?? ''}
                    choices={
                        [...(source.format === null ? [byLooks] : []), ...formats] as readonly (readonly [
                            Format | '',
                            string,
                        ])[]
                    }
                    onChoose={format => say({ format: format === '' ? null : format, columns: [] })}
                />
            ))}
            {source.format === 'table' && source.delimiter !== null && (
                <div className="grid grid-cols-2 gap-2">
                    {frame('Cells apart by', 'delimiter', id => (
                        <Select
                            id={id}
                            value={said.delimiter ?? source.delimiter ?? ','}
                            choices={delimiters}
                            onChoose={delimiter => say({ delimiter })}
                        />
                    ))}
                    {frame('Encoding', 'encoding', id => (
                        <Select
                            id={id}
                            value={said.encoding ?? source.encoding ?? 'UTF-8'}
                            choices={encodings.map(encoding => [encoding as string, encoding] as const)}
                            onChoose={encoding => say({ encoding })}
                        />
                    ))}
                </div>
            )}
            {frame(
                'Pages come as',
                'as',
                id => (
                    <Select
                        id={id}
                        value={said.as}
                        choices={[
                            ['draft', 'drafts'],
                            ['live', 'live pages'],
                            ['given', 'the file says of each'],
                        ]}
                        onChoose={as => say({ as })}
                    />
                ),
                becomesOf[said.as],
            )}
            {frame('They stand', 'under', id => (
                <Button id={id} className="w-full justify-start! truncate" onClick={() => pick(true)}>
                    {said.under === null ? 'at the top of the tree' : `under ${under.data?.sheet.name ?? '…'}`}
                </Button>
            ))}
            {frame('What is missing between', 'gaps', id => (
                <Select
                    id={id}
                    value={said.gaps}
                    choices={[
                        ['sections', 'becomes a section'],
                        ['skip', 'is skipped'],
                    ]}
                    onChoose={gaps => say({ gaps })}
                />
            ))}
            <Choice checked={said.changesKnown} onChange={event => say({ changesKnown: event.target.checked })}>
                Change pages that are here already
            </Choice>
            <Choice checked={said.keepsAddresses} onChange={event => say({ keepsAddresses: event.target.checked })}>
                Old addresses lead to the pages
            </Choice>
            {source.menus.length > 0 && (
                <fieldset className="grid min-w-0 gap-1.5">
                    <legend className="mb-1 text-ink-2">Menus that were found</legend>
                    {source.menus.map((menu, n) => (
                        <Choice
                            key={n}
                            className="items-start! [&>input]:mt-1"
                            checked={said.menus.includes(n)}
                            onChange={event =>
                                say({
                                    menus: event.target.checked
                                        ? [...said.menus, n]
                                        : said.menus.filter(each => each !== n),
                                })
                            }
                        >
                            <span className="min-w-0">
                                {menu.name === '' ? `Menu ${n + 1}` : menu.name}, {count(menu.links.length, 'link')}
                                <span className="block truncate text-[12px] text-ink-3">
                                    {menu.links
                                        .slice(0, 4)
                                        .map(link => link.label)
                                        .join(', ')}
                                </span>
                            </span>
                        </Choice>
                    ))}
                </fieldset>
            )}
            <PickPage
                open={picking}
                top
                title="Import under"
                onClose={() => pick(false)}
                onPick={page => {
                    say({ under: page.id === 'top' ? null : page.id })
                    pick(false)
                }}
            />
        </form>
    )
}
