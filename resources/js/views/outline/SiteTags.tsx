import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { tagsQuery } from '../../app/TagChooser'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { count } from '../../ui/count'
import { inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'

/** The tags of the site: how many pages have each, what it is called on all of them, and whether it stays. */
export function SiteTags({ onClose, onShow }: { onClose: () => void; onShow: (tag: string) => void }) {
    const site = useSite()
    const { propose } = useChanges()
    const tags = useQuery(tagsQuery(site.key))
    const [renaming, rename] = useState<{ tag: string; to: string } | null>(null)
    const [refused, setRefused] = useState<string | null>(null)
    const change = (tag: string, to: string | null) => {
        setRefused(null)
        void propose({
            title: to === null ? `Removing the tag ${tag}` : `Renaming the tag ${tag}`,
            act: to === null ? 'Remove the tag' : 'Rename the tag',
            batch: { changes: [{ kind: 'rename-tag', tag, to }] },
            done: () => rename(null),
            failed: problem => setRefused(problem.message),
        })
    }
    const isThere = tags.data?.some(each => each.tag === renaming?.to.trim()) === true
    return (
        <Modal open onClose={onClose} title="Tags of the site" width={520}>
            <ReadFailure of={tags} />
            {refused !== null && <Alert>{refused}</Alert>}
            {tags.data?.length === 0 && (
                <Muted>
                    No page has a tag yet. Tags are set in the details of a page, or on all marked pages at once.
                </Muted>
            )}
            <ul aria-label="Tags" className="max-h-[420px] overflow-y-auto">
                {tags.data?.map(({ tag, pages }) => (
                    <li key={tag} className="border-b border-line py-1">
                        {renaming?.tag === tag ? (
                            <form
                                className="grid gap-1"
                                onSubmit={event => {
                                    event.preventDefault()
                                    change(tag, renaming.to.trim())
                                }}
                            >
                                <span className="flex items-center gap-1.5">
                                    <input
                                        autoFocus
                                        aria-label={`New name of ${tag}`}
                                        value={renaming.to}
                                        maxLength={60}
                                        onChange={event => rename({ tag, to: event.target.value })}
                                        className={inputClasses}
                                    />
                                    <Button
                                        type="submit"
                                        variant="main"
                                        disabled={renaming.to.trim() === '' || renaming.to.trim() === tag}
                                    >
                                        Rename
                                    </Button>
                                    <Button onClick={() => rename(null)}>Cancel</Button>
                                </span>
                                {isThere && renaming.to.trim() !== tag && (
                                    <Muted small>There is a tag of this name: the two become one.</Muted>
                                )}
                            </form>
                        ) : (
                            <span className="flex items-center gap-2">
                                <button
                                    type="button"
                                    onClick={() => onShow(tag)}
                                    className="min-w-0 flex-1 truncate text-left font-semibold hover:underline"
                                >
                                    {tag}
                                </button>
                                <span className="text-[13px] text-ink-3">{count(pages, 'page')}</span>
                                {site.may('publish') && (
                                    <>
                                        <Button
                                            variant="quiet"
                                            aria-label={`Rename the tag ${tag}`}
                                            onClick={() => rename({ tag, to: tag })}
                                        >
                                            Rename
                                        </Button>
                                        <Button
                                            variant="quiet"
                                            aria-label={`Remove the tag ${tag} from all pages`}
                                            onClick={() => change(tag, null)}
                                        >
                                            Remove
                                        </Button>
                                    </>
                                )}
                            </span>
                        )}
                    </li>
                ))}
            </ul>
        </Modal>
    )
}
