import { useLayouts } from '../../app/fields/useLayouts'

/** What layouts are called. */
export function LayoutNames({ keys }: { keys: string[] }) {
    const { called } = useLayouts()
    return keys.map(called).join(', ')
}
