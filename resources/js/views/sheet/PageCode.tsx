import { useState } from 'react'
import type { Schemas } from '../../api/client'
import { mayOn } from '../../app/site'
import { Button } from '../../ui/Button'
import { lazily } from '../../ui/lazily'

const CodeDialog = lazily(() => import('../../app/CodeDialog').then(module => module.CodeDialog))
const called = { styles: 'styles', head: 'head code' }

/** Whether the owner wrote styles or head code for the page; owners write them, others look. */
export function PageCode({ sheet }: { sheet: Schemas['PageSheet'] }) {
    const writes = mayOn(sheet, 'code')
    const [open, setOpen] = useState(false)
    if (!writes && sheet.code.length === 0) return null
    return (
        <>
            <dt>Code</dt>
            <dd className="flex min-h-[30px] items-start gap-2">
                <span className={`min-w-0 flex-1 py-[5px] ${sheet.code.length === 0 ? 'text-ink-3' : ''}`}>
                    {sheet.code.length === 0 ? 'none' : sheet.code.map(part => called[part]).join(' and ')}
                </span>
                <Button variant="quiet" onClick={() => setOpen(true)}>
                    {writes ? 'Write…' : 'Look…'}
                </Button>
            </dd>
            {open && <CodeDialog page={sheet} onClose={() => setOpen(false)} />}
        </>
    )
}
