import type { Schemas } from '../../api/client'

/** How a request is answered, step by step. */
export function Hops({ trace }: { trace: Schemas['Explanation'] }) {
    const end = trace.loop
        ? 'ends in a loop'
        : trace.pause !== null
          ? `a pause page, then ${trace.pause.onward ?? 'nowhere'}`
          : trace.status === null
            ? 'answered elsewhere'
            : trace.status === 200
              ? 'answers with 200'
              : `answers with ${trace.status}`
    return (
        <ol aria-label={`How ${trace.asked} is answered`} className="grid gap-1 text-[13px]">
            {trace.hops.map((hop, n) => (
                <li key={n} className="grid grid-cols-[34px_1fr] gap-2">
                    <b className="font-mono font-semibold text-heron">{hop.status}</b>
                    <span className="min-w-0">
                        <span className="block font-mono break-all">
                            {hop.from}{' '}
                            <span aria-label="redirects to" className="text-ink-3">
                                →
                            </span>{' '}
                            {hop.to}
                        </span>
                        <span className="text-[12px] text-ink-3">{hop.why}</span>
                    </span>
                </li>
            ))}
            <li className="grid grid-cols-[34px_1fr] gap-2">
                <b
                    className={`font-mono font-semibold ${trace.status === 200 || trace.status === null ? 'text-reed' : 'text-berry'}`}
                >
                    {trace.status ?? '↗'}
                </b>
                <span className="min-w-0">
                    <span className="block">
                        {trace.page === null ? '' : `${trace.page.name}, `}
                        {end}
                    </span>
                    <span className="text-[12px] text-ink-3">{trace.why}</span>
                </span>
            </li>
            {trace.hops.length > 1 && trace.sends !== null && (
                <li className="pl-[42px] text-[12px] text-ink-2">
                    Visitors are sent there at once, with {trace.sends}.
                </li>
            )}
        </ol>
    )
}
