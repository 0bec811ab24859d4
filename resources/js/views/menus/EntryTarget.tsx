import { Button } from '../../ui/Button'
import { Field, FieldFrame } from '../../ui/Field'
import type { EntryEditing } from './EntryFields'
import type { Picking } from './EntryPickers'

/** Where an entry leads, by its kind. */
export function EntryTarget({ entry, writes, onChange, onPick, error }: EntryEditing) {
    const chosen = (field: 'page' | 'file', label: string, name: string, what: Picking) => (
        <FieldFrame stacked label={label} error={error(field)}>
            {({ id }) => (
                <div className="flex items-center justify-between gap-2">
                    <output id={id} className="truncate">
                        {name}
                    </output>
                    {writes && (
                        <Button variant="quiet" onClick={() => onPick(what)}>
                            Choose…
                        </Button>
                    )}
                </div>
            )}
        </FieldFrame>
    )
    const typed = (field: 'url' | 'address', label: string, placeholder: string) => (
        <Field
            stacked
            mono
            label={label}
            placeholder={placeholder}
            value={entry[field] ?? ''}
            onChange={event => onChange({ [field]: event.target.value })}
            error={error(field)}
            disabled={!writes}
        />
    )
    switch (entry.kind) {
        case 'page':
            return chosen('page', 'Leads to', entry.pageName ?? 'a page that is gone', 'page')
        case 'branch': {
            const top = entry.page === null || entry.page === undefined
            const name = entry.pageName ?? (top ? 'the top of the tree' : 'a page that is gone')
            return chosen('page', 'Filled with what is inside', name, 'page')
        }
        case 'url':
            return typed('url', 'URL', 'https://')
        case 'address':
            return typed('address', 'Address', '/')
        case 'file':
            return chosen('file', 'Leads to', entry.fileName ?? 'a file that is gone', 'file')
        default:
            return null
    }
}
