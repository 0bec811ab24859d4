import type { Schemas } from '../../../api/client'
import type { Change } from '../../../app/changes'

export type Appearance = Schemas['SearchAppearance']
export type Setting = Exclude<keyof Extract<Change, { kind: 'set-search' }>, 'kind' | 'page' | 'pages'>

/** What is typed of a page's texts for search and social cards, and of its settings. */
export type Texts = Pick<
    Schemas['PageSheet'],
    'searchTitle' | 'searchDescription' | 'socialTitle' | 'socialDescription'
>
export type Settings = Pick<
    Appearance['own'],
    | 'canonical'
    | 'index'
    | 'follow'
    | 'inSitemap'
    | 'priority'
    | 'changeFrequency'
    | 'socialPicture'
    | 'targetPhrase'
    | 'inSiteSearch'
    | 'siteSearchDescription'
>

export const textsOf = (sheet: Schemas['PageSheet']): Texts => ({
    searchTitle: sheet.searchTitle,
    searchDescription: sheet.searchDescription,
    socialTitle: sheet.socialTitle,
    socialDescription: sheet.socialDescription,
})

export const settingsOf = (own: Appearance['own']): Settings => ({
    canonical: own.canonical,
    index: own.index,
    follow: own.follow,
    inSitemap: own.inSitemap,
    priority: own.priority,
    changeFrequency: own.changeFrequency,
    socialPicture: own.socialPicture,
    targetPhrase: own.targetPhrase,
    inSiteSearch: own.inSiteSearch,
    siteSearchDescription: own.siteSearchDescription,
})
