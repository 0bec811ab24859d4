import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { encode } from 'uqr'
import { answered, api, ApiProblem } from '../../api/client'
import { Button } from '../../ui/Button'
import { DialogActions } from '../../ui/DialogActions'
import { Field } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Muted } from '../../ui/Muted'
import { ReadFailure } from '../../ui/ReadFailure'
import { useAccountChange } from './queries'

type Props = { onClose: () => void; onCodes: (codes: string[]) => void }

/** A picture for the device to read, or letters to type into it; then its first code. */
export function SetUpDevice({ onClose, onCodes }: Props) {
    const [code, setCode] = useState('')
    const begun = useQuery({
        queryKey: ['second-step'],
        queryFn: () => answered(api.POST('/account/second-step')),
        staleTime: Infinity,
        gcTime: 0,
        retry: false,
        refetchOnWindowFocus: false,
    })
    const confirm = useAccountChange(
        () => answered(api.PUT('/account/second-step', { body: { code } })),
        made => onCodes(made.codes),
    )
    const problem = confirm.error instanceof ApiProblem ? confirm.error : null
    return (
        <Modal open onClose={onClose} title="Set up the second step" width={520}>
            <ReadFailure of={begun} />
            {begun.data !== undefined && (
                <form
                    noValidate
                    className="grid gap-4"
                    onSubmit={event => {
                        event.preventDefault()
                        confirm.mutate(undefined)
                    }}
                >
                    <div className="flex gap-5">
                        <Picture text={begun.data.uri} />
                        <div className="grid content-start gap-2">
                            <p>
                                <b>1.</b> Read the picture with a program for such codes on your telephone. Where it has
                                no camera, type this:
                            </p>
                            <p className="font-mono text-[13px] leading-5 break-all">
                                {begun.data.secret.match(/.{1,4}/g)?.join(' ')}
                            </p>
                            <Muted small>Nobody else should see either.</Muted>
                        </div>
                    </div>
                    <Field
                        stacked
                        autoFocus
                        label="2. The code that it shows now"
                        inputMode="numeric"
                        autoComplete="one-time-code"
                        value={code}
                        error={problem?.message}
                        onChange={event => setCode(event.target.value)}
                    />
                    <DialogActions>
                        <Button onClick={onClose}>Cancel</Button>
                        <Button type="submit" variant="main" disabled={confirm.isPending}>
                            Switch on
                        </Button>
                    </DialogActions>
                </form>
            )}
        </Modal>
    )
}

/** A QR code (ISO/IEC 18004), dark on light whatever the theme: that is how devices read it. */
function Picture({ text }: { text: string }) {
    const { data, size } = encode(text, { ecc: 'M', border: 2 })
    const path = data.flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : []))).join('')
    return (
        <svg
            role="img"
            aria-label="QR code for your device"
            viewBox={`0 0 ${size} ${size}`}
            className="size-[184px] shrink-0 rounded border border-line"
            shapeRendering="crispEdges"
        >
            <rect width={size} height={size} fill="#fff" />
            <path d={path} fill="#000" />
        </svg>
    )
}
