import { describe, expect, it } from 'vitest'
import { isOfGrid, tabOf } from '../../resources/js/views/findability/labels'
import { differing } from '../../resources/js/app/differing'
import { settingsOf, textsOf } from '../../resources/js/views/sheet/search/draft'
import { descriptionSources, from } from '../../resources/js/views/sheet/search/settingWords'
import type { Schemas } from '../../resources/js/api/client'

const own: Schemas['SearchAppearance']['own'] = {
    canonical: 'itself',
    canonicalName: null,
    targetPhrase: '',
    titlePattern: null,
    descriptionPattern: null,
    index: null,
    follow: false,
    inSitemap: null,
    priority: 0.4,
    changeFrequency: null,
    socialPicture: null,
    inSiteSearch: null,
    siteSearchDescription: '',
}

describe('what is typed on the Search tab', () => {
    it('differs only where it says something else than stands', () => {
        const stands = settingsOf(own)
        expect(differing({ follow: false, priority: 0.5 }, stands)).toEqual({ priority: 0.5 })
        expect(differing({ index: null }, stands)).toEqual({})
        expect(differing({ canonical: 'none' }, stands)).toEqual({ canonical: 'none' })
        expect(differing({}, stands)).toEqual({})
    })

    it('holds no setting that has no field there', () => {
        expect(Object.keys(settingsOf(own)).sort()).toEqual([
            'canonical',
            'changeFrequency',
            'follow',
            'inSiteSearch',
            'inSitemap',
            'index',
            'priority',
            'siteSearchDescription',
            'socialPicture',
            'targetPhrase',
        ])
    })

    it('takes the four texts of a sheet, and nothing else of it', () => {
        const sheet = {
            searchTitle: 'T',
            searchDescription: 'D',
            socialTitle: 'S',
            socialDescription: 'E',
            name: 'N',
        } as Schemas['PageSheet']
        expect(textsOf(sheet)).toEqual({
            searchTitle: 'T',
            searchDescription: 'D',
            socialTitle: 'S',
            socialDescription: 'E',
        })
    })
})

describe('where a setting comes from', () => {
    const inherited = (scope: Schemas['InheritedSetting']['scope'], name = '', page: string | null = null) =>
        from({ value: true, scope, name, page })

    it('is said as people say it', () => {
        expect(inherited('own')).toBe('set here')
        expect(inherited('branch', 'Islands', 'x')).toBe('from the branch “Islands”')
        expect(inherited('layout', '', 'section')).toBe('from the layout “section”')
        expect(inherited('site')).toBe('from the site')
        expect(inherited('default')).toBe('nothing is set')
    })

    it('is a sentence for every source of a description', () => {
        for (const words of Object.values(descriptionSources)) expect(words).toMatch(/\.$/)
    })
})

describe('a finding', () => {
    it('opens where it is mended', () => {
        expect(tabOf('content')).toBe('content')
        expect(tabOf('details')).toBe('details')
        expect(tabOf('menus')).toBe('details')
        expect(tabOf('canonical')).toBe('search')
        expect(tabOf('title')).toBe('search')
    })

    it('is mended in the grid where it is about titles or descriptions', () => {
        expect(isOfGrid('title')).toBe(true)
        expect(isOfGrid('description')).toBe(true)
        expect(isOfGrid('phrase')).toBe(false)
    })
})
