import { Link } from '@tanstack/react-router'
import type { ReactNode } from 'react'
import type { FileDetail } from './files'

type Use = FileDetail['usedIn'][number]

const ways: Record<Use['way'], string> = {
    content: 'in its content',
    fields: 'in its fields',
    card: 'on its card',
    page: 'is this file',
    menu: 'a menu',
    redirect: 'a redirect',
    'starting-point': 'a starting point',
    site: 'The social card of the whole site',
}

const link = 'font-semibold text-heron underline-offset-2 hover:underline'

/** Everything that uses a file, each a way there. */
export function UsedIn({ uses, site }: { uses: Use[]; site: string }) {
    return (
        <ul className="grid gap-1 text-[13px]">
            {uses.map(use => (
                <li key={`${use.way} ${use.by}`}>
                    <Place use={use} site={site} />{' '}
                    <span className="text-ink-3">{use.way === 'site' ? '' : ways[use.way]}</span>
                    {!use.live && use.way !== 'redirect' && use.way !== 'starting-point' && (
                        <span className="text-ink-3">, not for visitors yet</span>
                    )}
                </li>
            ))}
        </ul>
    )
}

function Place({ use, site }: { use: Use; site: string }): ReactNode {
    const params = { site }
    switch (use.way) {
        case 'site':
            return ways.site
        case 'starting-point':
            return <b className="font-semibold">{use.name}</b>
        case 'menu':
            return (
                <Link to="/s/$site/menus" params={params} search={{ menu: use.by }} className={link}>
                    {use.name}
                </Link>
            )
        case 'redirect':
            return (
                <Link to="/s/$site/addresses" params={params} search={{ text: use.name }} className={link}>
                    {use.name}
                </Link>
            )
        default:
            return (
                <Link
                    to="/s/$site/outline"
                    params={params}
                    search={{
                        page: use.by,
                        row: use.by,
                        tab: use.way === 'fields' ? 'fields' : use.way === 'content' ? 'content' : 'details',
                    }}
                    className={link}
                >
                    {use.name}
                </Link>
            )
    }
}
