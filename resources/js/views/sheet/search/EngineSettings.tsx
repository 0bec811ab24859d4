import type { Appearance, Settings } from './draft'
import { InheritedChoice } from './InheritedChoice'
import { frequencies } from './settingWords'

type Fields = Pick<Settings, 'index' | 'follow' | 'inSitemap' | 'priority' | 'changeFrequency' | 'inSiteSearch'>
type Props = {
    values: Fields
    inherited: Appearance['inherited']
    listed: boolean
    onChange: (fields: Partial<Fields>) => void
}

const flag = (chosen: string | null) => (chosen === null ? null : chosen === 'true')

/** What search engines may do with a page, or with a branch, and whether the site's own search shows it. */
export function EngineSettings({ values, inherited, listed, onChange }: Props) {
    return (
        <div className="grid gap-2">
            <InheritedChoice
                label="Listed"
                value={values.index}
                inherited={inherited['index']}
                choices={[
                    ['true', 'Yes (index)'],
                    ['false', 'No (noindex)'],
                ]}
                hint={
                    listed ? undefined : 'The page is unlisted, so engines are asked not to list it, whatever is set.'
                }
                onChoose={chosen => onChange({ index: flag(chosen) })}
            />
            <InheritedChoice
                label="Its links"
                value={values.follow}
                inherited={inherited['follow']}
                choices={[
                    ['true', 'Followed'],
                    ['false', 'Not followed (nofollow)'],
                ]}
                onChoose={chosen => onChange({ follow: flag(chosen) })}
            />
            <InheritedChoice
                label="Sitemap"
                value={values.inSitemap}
                inherited={inherited['inSitemap']}
                choices={[
                    ['true', 'In the sitemap'],
                    ['false', 'Left out'],
                ]}
                onChoose={chosen => onChange({ inSitemap: flag(chosen) })}
            />
            <InheritedChoice
                label="Priority"
                value={values.priority}
                inherited={inherited['priority']}
                choices={Array.from({ length: 11 }, (_, n) => [String(n / 10), (n / 10).toFixed(1)] as const)}
                onChoose={chosen => onChange({ priority: chosen === null ? null : Number(chosen) })}
            />
            <InheritedChoice
                label="Changes"
                value={values.changeFrequency}
                inherited={inherited['changeFrequency']}
                choices={frequencies.map(each => [each, each] as const)}
                onChoose={chosen => onChange({ changeFrequency: frequencies.find(each => each === chosen) ?? null })}
            />
            <InheritedChoice
                label="Site search"
                value={values.inSiteSearch}
                inherited={inherited['inSiteSearch']}
                choices={[
                    ['true', 'Found by visitors'],
                    ['false', 'Kept out'],
                ]}
                hint={listed ? undefined : 'The page is unlisted, so the site’s own search never shows it.'}
                onChoose={chosen => onChange({ inSiteSearch: flag(chosen) })}
            />
        </div>
    )
}
