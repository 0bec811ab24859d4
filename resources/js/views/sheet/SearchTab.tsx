import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { answered, api } from '../../api/client'
import { keys } from '../../api/queries'
import { useSite } from '../../app/site'
import { readable } from '../../ui/Address'
import { Field, FieldFrame, inputClasses } from '../../ui/Field'
import { useDebounced } from '../../ui/useDebounced'
import type { Loaded } from './loaded'
import { useSaveKey } from './useSaveKey'
import { useSavePage } from './useSavePage'
import { SaveBar } from './SaveBar'
import { Choice } from '../../ui/Choice'
import { ReadFailure } from '../../ui/ReadFailure'

const titleSources = { own: 'Its own.', pattern: "From the site's pattern. Type here to give the page its own." }
const descriptionSources = {
    own: 'Its own.',
    summary: 'Falls back to the summary.',
    content: 'Falls back to the first sentences of the content.',
    site: "Falls back to the site's description: every such page says the same.",
    none: 'There is none. Search engines will choose a passage themselves.',
}

/** What search engines show of the page, and where each text comes from. */
export function SearchTab({ loaded, onUnsaved }: { loaded: Loaded; onUnsaved: (unsaved: boolean) => void }) {
    const { sheet } = loaded
    const site = useSite()
    const save = useSavePage(loaded)
    const [typed, setTyped] = useState<{ searchTitle?: string; searchDescription?: string; indexed?: boolean }>({})
    const value = {
        searchTitle: sheet.searchTitle,
        searchDescription: sheet.searchDescription,
        indexed: sheet.indexed,
        ...typed,
    }
    const dirty =
        value.searchTitle !== sheet.searchTitle ||
        value.searchDescription !== sheet.searchDescription ||
        value.indexed !== sheet.indexed
    useEffect(() => onUnsaved(dirty), [dirty, onUnsaved])
    const asked = useDebounced(
        JSON.stringify({ searchTitle: value.searchTitle, searchDescription: value.searchDescription }),
        120,
    )
    const result = useQuery({
        queryKey: [...keys.page(site.key, sheet.id), 'search', asked],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/pages/{page}/search', {
                    params: {
                        path: { site: site.key, page: sheet.id },
                        query: JSON.parse(asked) as { searchTitle: string; searchDescription: string },
                    },
                    signal,
                }),
            ),
        placeholderData: keepPreviousData,
    })
    const shown = result.data
    const start = () => save.mutate(value, { onSuccess: () => setTyped({}) })
    useSaveKey(dirty && site.writes ? start : null)
    return (
        <form
            className="grid gap-4"
            onSubmit={event => {
                event.preventDefault()
                start()
            }}
        >
            <ReadFailure of={result} />
            {shown !== undefined && (
                <section aria-label="As a search result" className="rounded-md bg-sunk px-4 py-3">
                    <p className="truncate font-mono text-[12px] text-ink-2">
                        {readable(shown.canonical).replace(/^https?:\/\//, '')}
                    </p>
                    <p className="mt-1 text-[18px] leading-6 font-semibold text-heron">{shown.title}</p>
                    <p className="mt-1 leading-5 text-ink-2">
                        {shown.description === '' ? 'No description.' : shown.description}
                    </p>
                </section>
            )}
            <fieldset disabled={!site.writes} className="grid gap-4">
                <Field
                    stacked
                    label="Search title"
                    value={value.searchTitle}
                    placeholder={shown?.titleSource === 'pattern' ? shown.title : ''}
                    onChange={event => setTyped(before => ({ ...before, searchTitle: event.target.value }))}
                    hint={shown === undefined ? '' : titleSources[shown.titleSource]}
                />
                <FieldFrame
                    stacked
                    label="Search description"
                    hint={shown === undefined ? '' : descriptionSources[shown.descriptionSource]}
                >
                    {({ id, describedBy }) => (
                        <textarea
                            id={id}
                            aria-describedby={describedBy}
                            rows={4}
                            value={value.searchDescription}
                            placeholder={
                                shown !== undefined && shown.descriptionSource !== 'own' ? shown.description : ''
                            }
                            onChange={event =>
                                setTyped(before => ({ ...before, searchDescription: event.target.value }))
                            }
                            className={`${inputClasses} resize-y`}
                        />
                    )}
                </FieldFrame>
                <Choice
                    className="items-baseline!"
                    checked={value.indexed && sheet.listed}
                    disabled={!sheet.listed}
                    onChange={event => setTyped(before => ({ ...before, indexed: event.target.checked }))}
                >
                    <span>
                        Search engines may list this page (index)
                        <span className="block text-[12px] text-ink-3">
                            {!sheet.listed
                                ? 'The page is unlisted, so they are asked not to. List it first to change that.'
                                : value.indexed
                                  ? 'It is in the sitemap once it is live.'
                                  : 'They are asked not to (noindex), and it is left out of the sitemap.'}
                        </span>
                    </span>
                </Choice>
            </fieldset>
            <SaveBar dirty={dirty} save={save} writes={site.writes} onPutBack={() => setTyped({})} />
            <p className="border-t border-line pt-3 text-[13px] text-ink-3">
                There is no field for keywords: search engines have ignored them for years. The words of the page, its
                heading and its title are what counts.
            </p>
        </form>
    )
}
