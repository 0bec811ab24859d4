import { QRCodeSVG } from 'qrcode.react'
import { useRef, useState } from 'react'
import { notify } from '../../app/notify'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { download } from '../../ui/download'

/** The whole address that people use: to copy, and as a code for posters. */
export function Share({ address }: { address: string }) {
    const site = useSite()
    const whole = `${site.origin}${encodeURI(address)}`
    const code = useRef<SVGSVGElement>(null)
    const [isShown, show] = useState(false)
    const save = () => {
        if (code.current !== null)
            download(
                new Blob([new XMLSerializer().serializeToString(code.current)], { type: 'image/svg+xml' }),
                `code${address.replace(/[^a-z0-9]+/gi, '-')}.svg`,
            )
    }
    return (
        <div className="rounded-md bg-sunk px-3 py-2">
            <p className="font-mono text-[12px] break-all text-ink-2">{whole}</p>
            <div className="mt-1 -ml-3 flex flex-wrap">
                <Button
                    variant="quiet"
                    onClick={() =>
                        void navigator.clipboard.writeText(whole).then(
                            () => notify.success('Copied.'),
                            () =>
                                notify.error(
                                    'This browser does not allow copying here. Select the address and copy it.',
                                ),
                        )
                    }
                >
                    Copy
                </Button>
                <Button variant="quiet" aria-expanded={isShown} onClick={() => show(!isShown)}>
                    {isShown ? 'Hide the code' : 'QR code for a poster'}
                </Button>
                {isShown && (
                    <Button variant="quiet" onClick={save}>
                        Save as SVG
                    </Button>
                )}
            </div>
            {isShown && (
                <div className="mt-2 w-max rounded bg-white p-2">
                    <QRCodeSVG
                        ref={code}
                        value={whole}
                        size={148}
                        marginSize={2}
                        level="M"
                        title={`Code for ${whole}`}
                    />
                </div>
            )}
        </div>
    )
}
