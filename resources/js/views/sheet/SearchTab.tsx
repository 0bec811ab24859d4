import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { differing } from '../../app/differing'
import { useEffect, useRef, useState } from 'react'
import { ApiProblem, answered, api, type Schemas } from '../../api/client'
import { keys } from '../../api/queries'
import { useChanges } from '../../app/changes'
import { mayOn, useSite } from '../../app/site'
import { Field, FieldFrame, inputClasses } from '../../ui/Field'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { useDebounced } from '../../ui/useDebounced'
import type { Loaded } from './loaded'
import { SaveBar } from './SaveBar'
import { BranchSearch } from './search/BranchSearch'
import { CanonicalField } from './search/CanonicalField'
import { CheckList } from './search/CheckList'
import { settingsOf, textsOf, type Settings, type Texts } from './search/draft'
import { EngineSettings } from './search/EngineSettings'
import { HeadTags } from './search/HeadTags'
import { ResultPreview } from './search/ResultPreview'
import { descriptionSources, from } from './search/settingWords'
import { SocialCard } from './search/SocialCard'
import { WhereListed } from './search/WhereListed'
import { WidthMeter } from './search/WidthMeter'
import { useSaveKey } from './useSaveKey'
import { useSavePage } from './useSavePage'

type Props = {
    loaded: Loaded
    onUnsaved: (unsaved: boolean) => void
    onTab: (tab: 'details' | 'content') => void
}

/** What search engines and social cards show of the page, where each of it comes from, and what keeps it from being found. */
export function SearchTab({ loaded, onUnsaved, onTab }: Props) {
    const { sheet } = loaded
    const site = useSite()
    const { propose } = useChanges()
    const save = useSavePage(loaded)
    const form = useRef<HTMLFormElement>(null)
    const [typedTexts, setTexts] = useState<Partial<Texts>>({})
    const [typedSettings, setSettings] = useState<Partial<Settings>>({})
    const texts = { ...textsOf(sheet), ...typedTexts }
    const asked = useDebounced(
        JSON.stringify({
            ...texts,
            ...(typedSettings.canonical === undefined ? {} : { canonical: typedSettings.canonical }),
            ...(typedSettings.targetPhrase === undefined ? {} : { targetPhrase: typedSettings.targetPhrase }),
        }),
        120,
    )
    const result = useQuery({
        queryKey: [...keys.page(site.key, sheet.id), 'search', asked],
        queryFn: ({ signal }) =>
            answered(
                api.GET('/sites/{site}/pages/{page}/search', {
                    params: {
                        path: { site: site.key, page: sheet.id },
                        query: JSON.parse(asked) as Record<string, string>,
                    },
                    signal,
                }),
            ),
        placeholderData: keepPreviousData,
        retry: false,
    })
    // What was read last stays while what is typed cannot be taken.
    const [last, keep] = useState(result.data)
    if (result.data !== undefined && result.data !== last) keep(result.data)
    const shown = result.data ?? last
    const problem = result.error instanceof ApiProblem ? result.error.problem.errors?.[0] : undefined
    const standing = shown === undefined ? undefined : settingsOf(shown.own)
    const settings = standing === undefined ? undefined : { ...standing, ...typedSettings }
    const texting = differing(typedTexts, textsOf(sheet))
    // The answer to what is being typed says it back as if it stood: what was typed counts as changed until it is saved.
    const dirty = Object.keys(texting).length > 0 || Object.keys(typedSettings).length > 0
    useEffect(() => onUnsaved(dirty), [dirty, onUnsaved])
    const start = async () => {
        if (Object.keys(texting).length > 0) await save.mutateAsync(texting).then(() => setTexts({}))
        if (Object.keys(typedSettings).length > 0)
            await propose({
                title: `Setting what “${sheet.name}” tells search engines`,
                act: 'Set it',
                batch: { changes: [{ kind: 'set-search', page: sheet.id, ...typedSettings }] },
                done: () => setSettings({}),
            })
    }
    const go = () => void start().catch(() => undefined)
    const mayText = mayOn(sheet, 'write')
    const maySet = mayOn(sheet, 'search')
    useSaveKey(dirty ? go : null)
    const fix = (where: Schemas['Fix']) => {
        const labels: Partial<Record<Schemas['Fix'], string>> = {
            title: 'title',
            description: 'description',
            canonical: 'canonical',
            robots: 'engines',
            sitemap: 'engines',
            social: 'social',
            phrase: 'phrase',
        }
        const part = labels[where]
        if (part === undefined) onTab(where === 'content' ? 'content' : 'details')
        else
            form.current
                ?.querySelector<HTMLElement>(`[data-part=${part}]`)
                ?.querySelector<HTMLElement>('input, textarea, select, button')
                ?.focus()
    }
    return (
        <div className="grid gap-4">
            <form
                ref={form}
                className="grid gap-4"
                onSubmit={event => {
                    event.preventDefault()
                    go()
                }}
            >
                {problem === undefined && <ReadFailure of={result} />}
                {shown !== undefined && settings !== undefined && (
                    <fieldset disabled={!mayText && !maySet} className="grid min-w-0 gap-4">
                        <ResultPreview shown={shown} />
                        <div data-part="title">
                            <Field
                                stacked
                                label="Search title"
                                disabled={!mayText}
                                value={texts.searchTitle}
                                placeholder={shown.title.source === 'pattern' ? shown.title.text : ''}
                                onChange={event => setTexts(was => ({ ...was, searchTitle: event.target.value }))}
                                hint={
                                    shown.title.source === 'own' || shown.inherited['titlePattern'] === undefined
                                        ? 'Set for this page.'
                                        : shown.inherited['titlePattern'].scope === 'default'
                                          ? 'From the usual title pattern. Type to set it here.'
                                          : `By the title pattern, ${from(shown.inherited['titlePattern'])}. Type here to set it for this page.`
                                }
                            />
                            <WidthMeter width={shown.title.width} max={shown.title.max} label="Width of the title" />
                        </div>
                        <div data-part="description">
                            <FieldFrame
                                stacked
                                label="Search description"
                                hint={descriptionSources[shown.description.source]}
                            >
                                {({ id, describedBy }) => (
                                    <textarea
                                        id={id}
                                        aria-describedby={describedBy}
                                        rows={3}
                                        disabled={!mayText}
                                        value={texts.searchDescription}
                                        placeholder={shown.description.source === 'own' ? '' : shown.description.text}
                                        onChange={event =>
                                            setTexts(was => ({ ...was, searchDescription: event.target.value }))
                                        }
                                        className={`${inputClasses} resize-y`}
                                    />
                                )}
                            </FieldFrame>
                            <WidthMeter
                                width={shown.description.width}
                                max={shown.description.max}
                                label="Width of the description"
                            />
                        </div>
                        <WhereListed isListed={sheet.listed}>
                            <fieldset disabled={!maySet} className="contents">
                                <div data-part="phrase">
                                    <Field
                                        stacked
                                        label="Target phrase"
                                        value={settings.targetPhrase}
                                        placeholder="ferry to Skerra"
                                        hint="What people would search for. The checks below look where the page says it."
                                        onChange={event =>
                                            setSettings(was => ({ ...was, targetPhrase: event.target.value }))
                                        }
                                    />
                                </div>
                                <section aria-label="Search engines" className="grid gap-2" data-part="engines">
                                    <h3 className="font-semibold">Search engines</h3>
                                    <EngineSettings
                                        values={settings}
                                        inherited={shown.inherited}
                                        listed={sheet.listed}
                                        onChange={fields => setSettings(was => ({ ...was, ...fields }))}
                                    />
                                    <div data-part="canonical">
                                        <CanonicalField
                                            value={settings.canonical}
                                            shown={shown}
                                            error={problem?.field === 'canonical' ? problem.reason : undefined}
                                            onChange={canonical => setSettings(was => ({ ...was, canonical }))}
                                        />
                                    </div>
                                </section>
                                <Field
                                    stacked
                                    label="Description for the site’s own search"
                                    value={settings.siteSearchDescription}
                                    maxLength={300}
                                    hint="Shown in its results, before the place where the words were found. Empty for that place alone."
                                    onChange={event =>
                                        setSettings(was => ({ ...was, siteSearchDescription: event.target.value }))
                                    }
                                />
                            </fieldset>
                        </WhereListed>
                        <div data-part="social">
                            <SocialCard
                                shown={shown}
                                texts={texts}
                                picture={settings.socialPicture}
                                onTexts={typed => setTexts(was => ({ ...was, ...typed }))}
                                onPicture={socialPicture => setSettings(was => ({ ...was, socialPicture }))}
                            />
                        </div>
                    </fieldset>
                )}
                <SaveBar
                    dirty={dirty}
                    save={save}
                    writes={mayText || maySet}
                    onPutBack={() => {
                        setTexts({})
                        setSettings({})
                    }}
                />
            </form>
            {shown !== undefined && (
                <>
                    <WhereListed isListed={sheet.listed}>
                        <CheckList shown={shown} onFix={fix} />
                    </WhereListed>
                    <BranchSearch sheet={sheet} branch={shown.branch} />
                    <HeadTags head={shown.head} />
                </>
            )}
            {shown !== undefined && (
                <Muted small className="border-t border-line pt-3">
                    There is no field for keywords: search engines have ignored them for years. The words of the page,
                    its heading and its title are what counts.
                </Muted>
            )}
        </div>
    )
}
