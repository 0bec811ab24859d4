import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useLayouts } from '../../app/fields/useLayouts'
import { useSite } from '../../app/site'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { Select } from '../../ui/Select'
import { FieldFrame } from '../../ui/Field'
import { Button } from '../../ui/Button'
import { PickPage } from '../../app/PickPage'
import { PatternForm, type Scope } from './PatternForm'
import { patternsQuery } from './queries'
import type { OpenPage } from './search'

const keyOf = (scope: Scope) => `${scope.scope} ${scope.page ?? scope.name}`
const nameOf = (scope: Scope, called: (layout: string) => string) =>
    scope.scope === 'site'
        ? 'The whole site'
        : scope.scope === 'layout'
          ? `Layout: ${called(scope.name)}`
          : `Branch: ${scope.name}`

const nothing = {
    titlePattern: null,
    descriptionPattern: null,
    index: null,
    follow: null,
    inSitemap: null,
    priority: null,
    changeFrequency: null,
    socialPicture: null,
    inSiteSearch: null,
}

/** Patterns by site, layout or branch, with what they would make of ten pages. */
export function Patterns({ onPage }: { onPage: OpenPage }) {
    const site = useSite()
    const patterns = useQuery(patternsQuery(site.key))
    const [chosen, choose] = useState('')
    const [added, add] = useState<Scope | null>(null)
    const { called } = useLayouts()
    const [picking, pick] = useState(false)
    const known = patterns.data ?? []
    const scopes = added === null || known.some(scope => scope.page === added.page) ? known : [...known, added]
    const scope = scopes.find(each => keyOf(each) === chosen) ?? scopes[0]
    return (
        <div className="min-h-0 flex-1 overflow-y-auto px-4 py-4">
            <ReadFailure of={patterns} />
            <div className="grid max-w-[960px] gap-4">
                <Muted>
                    A page that has no title or description of its own gets one by the nearest pattern: of its branch,
                    then its layout, then the site.
                </Muted>
                {scope !== undefined && (
                    <>
                        <div className="flex flex-wrap items-end gap-2">
                            <div className="w-[420px] max-w-full">
                                <FieldFrame stacked label="Patterns of">
                                    {({ id }) => (
                                        <Select
                                            id={id}
                                            value={keyOf(scope)}
                                            choices={scopes.map(each => [keyOf(each), nameOf(each, called)] as const)}
                                            onChoose={choose}
                                        />
                                    )}
                                </FieldFrame>
                            </div>
                            <Button onClick={() => pick(true)}>Another branch…</Button>
                        </div>
                        <PatternForm key={keyOf(scope)} scope={scope} name={nameOf(scope, called)} onPage={onPage} />
                    </>
                )}
            </div>
            <PickPage
                open={picking}
                title="The page at the top of the branch"
                onClose={() => pick(false)}
                onPick={page => {
                    const branch: Scope = { scope: 'branch', page: page.id, name: page.name, settings: nothing }
                    add(branch)
                    choose(keyOf(branch))
                    pick(false)
                }}
            />
        </div>
    )
}
