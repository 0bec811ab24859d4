import { useChanges } from '../../app/changes'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'

type Props = { service: 'checksLinks' | 'tellsEngines'; isOn: boolean; what: string }

/** Says whether something outside is asked, and switches it, as a change of the site that can be undone. */
export function OutsideSwitch({ service, isOn, what }: Props) {
    const site = useSite()
    const { propose } = useChanges()
    return (
        <span className="flex items-center gap-3">
            <b className={isOn ? 'font-semibold text-reed' : 'font-semibold text-ink-3'}>{isOn ? 'On' : 'Off'}</b>
            {site.may('settings') && (
                <Button
                    onClick={() =>
                        void propose({
                            title: `Switching ${isOn ? 'off' : 'on'} ${what}`,
                            act: isOn ? 'Switch off' : 'Switch on',
                            now: true,
                            batch: { changes: [{ kind: 'set-outside-services', [service]: !isOn }] },
                        })
                    }
                >
                    {isOn ? 'Switch off' : 'Switch on'}
                </Button>
            )}
        </span>
    )
}
