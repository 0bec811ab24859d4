import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { answered, api } from '../../api/client'
import { useSite } from '../../app/site'
import { Button } from '../../ui/Button'
import { inputClasses } from '../../ui/Field'
import { Modal } from '../../ui/Modal'
import { Hops } from './Hops'
import { Alert } from '../../ui/Alert'
import { DialogActions } from '../../ui/DialogActions'

/** Asks for addresses as a visitor would, and shows every step of the answer. */
export function TryAddresses({ first, onClose }: { first: string; onClose: () => void }) {
    const site = useSite()
    const [text, setText] = useState(first)
    const tried = useMutation({
        mutationFn: (asked: string) =>
            answered(
                api.POST('/sites/{site}/addresses/tried', {
                    params: { path: { site: site.key } },
                    body: { text: asked },
                }),
            ),
    })
    return (
        <Modal
            open
            onClose={onClose}
            title="Test addresses"
            description="One a line, with query and all, as visitors ask for them. The answer is the one that ./heronstem explain gives."
            width={640}
        >
            <form
                className="grid gap-3"
                onSubmit={event => {
                    event.preventDefault()
                    tried.mutate(text)
                }}
            >
                <textarea
                    aria-label="Addresses to test"
                    autoFocus
                    rows={Math.min(8, Math.max(2, text.split('\n').length))}
                    value={text}
                    onChange={event => setText(event.target.value)}
                    placeholder="/dogs?from=poster"
                    className={`${inputClasses} h-auto! py-1.5 font-mono text-[13px]`}
                />
                <DialogActions>
                    <Button onClick={onClose}>Close</Button>
                    <Button type="submit" variant="main" disabled={text.trim() === '' || tried.isPending}>
                        Try
                    </Button>
                </DialogActions>
            </form>
            {tried.error !== null && <Alert className="mt-2">{tried.error.message}</Alert>}
            {tried.data !== undefined && (
                <div className="mt-3 grid max-h-[46vh] gap-4 overflow-y-auto border-t border-line pt-3">
                    {tried.data.map((way, n) => (
                        <section key={n}>
                            <h3 className="mb-1 font-mono text-[13px] font-semibold break-all">{way.asked}</h3>
                            <Hops trace={way} />
                        </section>
                    ))}
                </div>
            )}
        </Modal>
    )
}
