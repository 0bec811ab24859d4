import { Link } from '@tanstack/react-router'
import { useSite } from '../../app/site'
import { readable } from '../../ui/Address'
import { whereInWords, type Found, type FoundPlace } from './parts'

type Props = { found: Found['found']; left: ReadonlySet<string>; onTurn: (keys: string[], take: boolean) => void }

/** Every place as it is and as it would be, by page; each is ticked to be replaced. */
export function FoundList({ found, left, onTurn }: Props) {
    return (
        <ul aria-label="Places" className="grid gap-4">
            {found.map(each => (
                <FoundOn key={each.id} found={each} left={left} onTurn={onTurn} />
            ))}
        </ul>
    )
}

function FoundOn({ found, left, onTurn }: { found: Found['found'][number] } & Omit<Props, 'found'>) {
    const site = useSite()
    const keys = found.places.map(place => place.key)
    const taken = keys.filter(key => !left.has(key)).length
    const link = 'font-semibold hover:underline underline-offset-2'
    return (
        <li>
            <div className="flex items-baseline gap-2 border-b border-line pb-1">
                <input
                    type="checkbox"
                    aria-label={`All on ${found.name}`}
                    checked={taken === keys.length}
                    ref={box => {
                        if (box !== null) box.indeterminate = taken > 0 && taken < keys.length
                    }}
                    onChange={event => onTurn(keys, event.target.checked)}
                    className="translate-y-0.5 accent-heron"
                />
                {found.of === 'page' ? (
                    <Link
                        to="/s/$site/outline"
                        params={{ site: site.key }}
                        search={{ page: found.id, row: found.id, tab: 'content' }}
                        className={link}
                    >
                        {found.name}
                    </Link>
                ) : (
                    <Link to="/s/$site/menus" params={{ site: site.key }} search={{ menu: found.id }} className={link}>
                        {found.name} (menu)
                    </Link>
                )}
                {found.address !== null && (
                    <span className="min-w-0 truncate font-mono text-[12px] text-ink-3">{readable(found.address)}</span>
                )}
                <span className="ml-auto shrink-0 text-[12px] text-ink-3 tabular-nums">
                    {taken} of {keys.length}
                </span>
            </div>
            <ul>
                {found.places.map(place => (
                    <Place key={place.key} place={place} taken={!left.has(place.key)} onTurn={onTurn} />
                ))}
            </ul>
        </li>
    )
}

function Place({ place, taken, onTurn }: { place: FoundPlace; taken: boolean; onTurn: Props['onTurn'] }) {
    return (
        <li>
            <label className="grid cursor-pointer grid-cols-[auto_128px_minmax(0,1fr)] items-baseline gap-2 rounded py-1 hover:bg-sunk">
                <input
                    type="checkbox"
                    checked={taken}
                    onChange={event => onTurn([place.key], event.target.checked)}
                    className="translate-y-0.5 accent-heron"
                />
                <span className="text-[12px] text-ink-3">{whereInWords(place)}</span>
                <span className={taken ? '' : 'text-ink-3'}>
                    {place.before}
                    <del className={taken ? 'bg-berry-soft text-berry' : 'no-underline'}>{place.is}</del>
                    {taken && place.becomes !== '' && (
                        <>
                            {' '}
                            <ins className="bg-reed-soft text-reed no-underline">{place.becomes}</ins>
                        </>
                    )}
                    {place.after}
                </span>
            </label>
        </li>
    )
}
