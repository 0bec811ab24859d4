import { useQuery } from '@tanstack/react-query'
import { useSite } from '../../app/site'
import { Choice } from '../../ui/Choice'
import { rightsQuery, rolesOf } from './queries'

/** The roles of the site, some of them chosen. */
export function RoleChoices({ chosen, onChoose }: { chosen: string[]; onChoose: (keys: string[]) => void }) {
    const site = useSite()
    const rights = useQuery(rightsQuery(site.key, null))
    return rolesOf(rights.data).map(({ key, name, isOwner }) => (
        <Choice
            key={key}
            checked={chosen.includes(key)}
            onChange={event => onChoose(event.target.checked ? [...chosen, key] : chosen.filter(each => each !== key))}
        >
            {name}
            {isOwner && <span className="text-[12px] text-ink-3">may do everything</span>}
        </Choice>
    ))
}
