import type { Schemas } from '../../../api/client'

type Inherited = Schemas['InheritedSetting']

/** Where a setting comes from, as it stands behind what holds. */
export function from({ scope, name, page }: Inherited) {
    switch (scope) {
        case 'own':
            return 'set here'
        case 'branch':
            return `from the branch “${name}”`
        case 'layout':
            return `from the layout “${page ?? ''}”`
        case 'site':
            return 'from the site'
        case 'default':
            return 'nothing is set'
    }
}

export const descriptionSources: Record<Schemas['DescriptionSource'], string> = {
    own: 'Set for this page.',
    pattern: 'From a pattern. Type here to set it for this page.',
    summary: 'From the summary.',
    content: 'From the first sentences of the content.',
    site: 'From the site: every such page says the same.',
    none: 'There is none. Search engines will choose a passage themselves.',
}

export const frequencies = ['always', 'hourly', 'daily', 'weekly', 'monthly', 'yearly', 'never'] as const
