import type { Schemas } from '../../api/client'
import { moment } from '../../ui/time'
import { deviceWords } from '../../app/device'
import { happened } from '../../app/happened'
import { Part } from './Part'

/** What happened with one's account lately. */
export function LastAtTheDoor({ lines }: { lines: Schemas['LogLine'][] }) {
    const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
    return (
        <Part title="Recent activity" about="If any of this was not you, change your password.">
            <ul>
                {lines.map(line => (
                    <li key={line.id} className="flex flex-wrap gap-x-3 border-b border-line py-1">
                        <span className="w-[170px] shrink-0 text-ink-3">{moment(line.at, zone)}</span>
                        <span className="min-w-0 flex-1">
                            {happened[line.kind]}
                            {line.detail !== '' && <span className="text-ink-2">: {line.detail}</span>}
                        </span>
                        <span className="text-[13px] text-ink-3">
                            {[line.device === '' ? '' : deviceWords(line.device), line.network]
                                .filter(Boolean)
                                .join(', ')}
                        </span>
                    </li>
                ))}
            </ul>
        </Part>
    )
}
