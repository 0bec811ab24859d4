import { useQuery } from '@tanstack/react-query'
import { X } from 'lucide-react'
import { useId, useState } from 'react'
import { answered, api } from '../api/client'
import { keys } from '../api/queries'
import { Button } from '../ui/Button'
import { inputClasses } from '../ui/Field'
import { useSite } from './site'

export const tagsQuery = (site: string) => ({
    queryKey: [...keys.site(site), 'tags'],
    queryFn: () => answered(api.GET('/sites/{site}/tags', { params: { path: { site } } })),
})

type Props = {
    tags: string[]
    label: string
    writes?: boolean
    error?: string | null
    onAdd: (tag: string) => void
    onRemove: (tag: string) => void
}

/** The tags of something: each can be removed, others are typed, with those that the site has to choose from. */
export function TagChooser({ tags, label, writes = true, error = null, onAdd, onRemove }: Props) {
    const site = useSite()
    const known = useQuery(tagsQuery(site.key))
    const [typed, type] = useState('')
    const id = useId()
    const add = () => {
        const tag = typed.trim()
        if (tag === '') return
        onAdd(tag)
        type('')
    }
    return (
        <div className="grid gap-1.5">
            {tags.length > 0 && (
                <ul aria-label={label} className="flex flex-wrap gap-1">
                    {tags.map(tag => (
                        <li
                            key={tag}
                            className="flex items-center gap-0.5 rounded-full bg-sunk py-0.5 pr-1 pl-2.5 text-[13px] text-ink-2"
                        >
                            {tag}
                            {writes ? (
                                <button
                                    type="button"
                                    aria-label={`Remove the tag ${tag}`}
                                    onClick={() => onRemove(tag)}
                                    className="grid size-5 place-items-center rounded-full hover:bg-line hover:text-ink"
                                >
                                    <X size={12} aria-hidden />
                                </button>
                            ) : (
                                <span className="pr-1" />
                            )}
                        </li>
                    ))}
                </ul>
            )}
            {writes && (
                <form
                    className="flex gap-1.5"
                    onSubmit={event => {
                        event.preventDefault()
                        event.stopPropagation()
                        add()
                    }}
                >
                    <input
                        aria-label="Add a tag"
                        placeholder="Add a tag"
                        list={id}
                        maxLength={60}
                        value={typed}
                        aria-invalid={error !== null}
                        onChange={event => type(event.target.value)}
                        className={`${inputClasses} max-w-[200px]`}
                    />
                    <datalist id={id}>
                        {(known.data ?? [])
                            .filter(each => !tags.includes(each.tag))
                            .map(each => (
                                <option key={each.tag} value={each.tag} />
                            ))}
                    </datalist>
                    {typed.trim() !== '' && <Button type="submit">Add</Button>}
                </form>
            )}
            {error !== null && (
                <p role="alert" className="text-[12px] text-berry">
                    {error}
                </p>
            )}
        </div>
    )
}
