import type { Schemas } from '../../api/client'

/** How a request is answered, step by step. */
export function Way({ way }: { way: Schemas['Explanation'] }) {
    const end = way.loop
        ? 'goes round in a circle'
        : way.pause !== null
          ? `a pause page, then ${way.pause.onward ?? 'nowhere'}`
          : way.status === null
            ? 'answered elsewhere'
            : way.status === 200
              ? 'answers with 200'
              : `answers with ${way.status}`
    return (
        <ol aria-label={`How ${way.asked} is answered`} className="grid gap-1 text-[13px]">
            {way.hops.map((hop, n) => (
                <li key={n} className="grid grid-cols-[34px_1fr] gap-2">
                    <b className="font-mono font-semibold text-heron">{hop.status}</b>
                    <span className="min-w-0">
                        <span className="block font-mono break-all">
                            {hop.from}{' '}
                            <span aria-label="sends on to" className="text-ink-3">
                                →
                            </span>{' '}
                            {hop.to}
                        </span>
                        <span className="text-[12px] text-ink-3">{hop.why}</span>
                    </span>
                </li>
            ))}
            <li className="grid grid-cols-[34px_1fr] gap-2">
                <b className={`font-mono font-semibold ${way.status === 200 || way.status === null ? 'text-reed' : 'text-berry'}`}>
                    {way.status ?? '↗'}
                </b>
                <span className="min-w-0">
                    <span className="block">
                        {way.page === null ? '' : `${way.page.name}, `}
                        {end}
                    </span>
                    <span className="text-[12px] text-ink-3">{way.why}</span>
                </span>
            </li>
            {way.hops.length > 1 && way.sends !== null && (
                <li className="pl-[42px] text-[12px] text-ink-2">Visitors are sent there at once, with {way.sends}.</li>
            )}
        </ol>
    )
}
