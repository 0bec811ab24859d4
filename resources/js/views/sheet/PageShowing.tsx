import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { useChanges } from '../../app/changes'
import { FileDialog } from '../../app/FileChooser'
import { mayOn } from '../../app/site'
import { Button } from '../../ui/Button'
import { cachingChoices, type Caching } from '../../ui/caching'
import { Select } from '../../ui/Select'

const minutes = [1, 2, 5, 10, 15, 30, 60, 120, 1440]
const inWords = (each: number) =>
    each === 1
        ? 'every minute'
        : each === 1440
          ? 'once a day'
          : each >= 60
            ? `every ${each / 60} h`
            : `every ${each} min`

/** The small picture of a page in menus and on cards, how often browsers load the page anew, and how long they keep it. */
export function PageShowing({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const { propose } = useChanges()
    const [choosing, choose] = useState(false)
    const may = mayOn(sheet, 'write') && (mayOn(sheet, 'publish') || !sheet.everLive)
    const set = (showing: { picture?: string | null; reload?: number | null; caching?: Caching | null }, act: string) =>
        void propose({
            title: `${act} of ${sheet.name}`,
            act: 'Save',
            batch: { changes: [{ kind: 'describe', page: sheet.id, ...showing }] },
        })
    const choices = [...new Set([...minutes, ...(sheet.reload === null ? [] : [sheet.reload])])].sort((a, b) => a - b)
    return (
        <>
            <dt>Small picture</dt>
            <dd className="flex min-h-[30px] items-center gap-2">
                {sheet.picture === null ? (
                    <span className="min-w-0 flex-1 text-ink-3">none of its own</span>
                ) : (
                    <span className="min-w-0 flex-1">
                        <img
                            src={`/_files/${sheet.picture}/picture`}
                            alt="Small picture"
                            className="h-12 w-auto rounded"
                        />
                    </span>
                )}
                {may && (
                    <Button variant="quiet" onClick={() => choose(true)}>
                        {sheet.picture === null ? 'Choose…' : 'Another…'}
                    </Button>
                )}
                {may && sheet.picture !== null && (
                    <Button variant="quiet" onClick={() => set({ picture: null }, 'Removing the small picture')}>
                        Remove
                    </Button>
                )}
            </dd>
            <dt>Loads anew</dt>
            <dd>
                <Select
                    aria-label="Loads anew"
                    className="max-w-[200px]"
                    disabled={!may}
                    value={sheet.reload === null ? '' : String(sheet.reload)}
                    choices={[['', 'never'], ...choices.map(each => [String(each), inWords(each)] as const)]}
                    onChoose={value => set({ reload: value === '' ? null : Number(value) }, 'Loading anew')}
                />
            </dd>
            <dt>Caching</dt>
            <dd>
                <Select
                    aria-label="Caching"
                    className="max-w-[260px]"
                    disabled={!may}
                    value={sheet.caching ?? ''}
                    choices={[['', 'as the site has it'], ...cachingChoices(sheet.caching)]}
                    onChoose={value => set({ caching: value === '' ? null : value }, 'Caching')}
                />
            </dd>
            {choosing && (
                <FileDialog
                    title="Small picture"
                    pictures
                    onClose={() => choose(false)}
                    onFile={picked => {
                        choose(false)
                        set({ picture: picked.id }, 'The small picture')
                    }}
                />
            )}
        </>
    )
}
