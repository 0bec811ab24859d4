import { useQuery } from '@tanstack/react-query'
import { X } from 'lucide-react'
import { useState } from 'react'
import { pageQuery } from '../../api/queries'
import { fileQuery } from '../../api/viewQueries'
import { Button } from '../../ui/Button'
import { IconButton } from '../../ui/IconButton'
import { FileDialog } from '../FileChooser'
import { PickPage } from '../PickPage'
import { useSite } from '../site'
import { objectOf, textOfValue } from './values'

type Props = { title: string; value: unknown; onChange: (value: unknown) => void; id?: string | undefined }

/** A page of the site, chosen from the tree. */
export function NamedPage({ title, value, onChange, ...rest }: Props) {
    const site = useSite()
    const [choosing, choose] = useState(false)
    const page = textOfValue(objectOf(value).page)
    const { data, isError } = useQuery({ ...pageQuery(site.key, page), enabled: page !== '' })
    const name = page === '' ? null : (data?.sheet.name ?? (isError ? 'a page that is gone' : '…'))
    return (
        <>
            <Chosen {...rest} title={title} name={name} onChoose={() => choose(true)} onRemove={() => onChange(null)} />
            <PickPage
                open={choosing}
                title={title}
                onClose={() => choose(false)}
                onPick={picked => {
                    onChange({ page: picked.id })
                    choose(false)
                }}
            />
        </>
    )
}

/** A file of the site, or a new one. */
export function NamedFile({ title, value, onChange, ...rest }: Props) {
    const site = useSite()
    const [choosing, choose] = useState(false)
    const file = textOfValue(objectOf(value).file)
    const { data, isError } = useQuery({ ...fileQuery(site.key, file), enabled: file !== '', retry: false })
    const name = file === '' ? null : (data?.name ?? (isError ? 'a file that is gone' : '…'))
    return (
        <>
            <Chosen {...rest} title={title} name={name} onChoose={() => choose(true)} onRemove={() => onChange(null)} />
            {choosing && (
                <FileDialog
                    title={title}
                    onClose={() => choose(false)}
                    onFile={picked => {
                        onChange({ file: picked.id })
                        choose(false)
                    }}
                />
            )}
        </>
    )
}

type ChosenProps = {
    title: string
    name: string | null
    onChoose: () => void
    onRemove: () => void
    id?: string | undefined
}

function Chosen({ title, name, onChoose, onRemove, ...rest }: ChosenProps) {
    return (
        <span className="flex min-w-0 items-center gap-1">
            <Button {...rest} onClick={onChoose} className="min-w-0">
                <span className="truncate">{name ?? 'Choose…'}</span>
            </Button>
            {name !== null && (
                <IconButton aria-label={`Remove ${title}`} onClick={onRemove} className="text-ink-2">
                    <X size={15} aria-hidden />
                </IconButton>
            )}
        </span>
    )
}
