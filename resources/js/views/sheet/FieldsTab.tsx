import { useCallback, useState } from 'react'
import { FieldsPanel } from '../../app/fields/FieldsPanel'
import type { Loaded } from './loaded'
import { useSaveKey } from './useSaveKey'

type Props = { loaded: Loaded; onUnsaved: (unsaved: boolean) => void; visible: boolean }

/** The fields of the page's layout. */
export function FieldsTab({ loaded, onUnsaved, visible }: Props) {
    const [save, setSave] = useState<{ act: (() => void) | null }>({ act: null })
    const keep = useCallback((act: (() => void) | null) => setSave({ act }), [])
    useSaveKey(visible ? save.act : null)
    return <FieldsPanel loaded={loaded} onUnsaved={onUnsaved} onSave={keep} />
}
