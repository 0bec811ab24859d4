import type { SourceActs } from './useSource'
import { columns, type Source } from './words'

const fieldsLook =
    'h-7 w-full min-w-[124px] rounded-[5px] border border-edge bg-sheet px-1 text-[13px] text-ink disabled:bg-sunk'

/** The first rows of a table, and what each of its columns says. */
export function Columns({ source, acts }: { source: Source; acts: SourceActs }) {
    const width = Math.max(source.columns.length, ...source.sample.map(row => row.length))
    const means = Array.from({ length: width }, (_, n) => source.columns[n] ?? '')
    const choose = (n: number, meaning: string) =>
        acts.say.mutate({ columns: means.map((now, each) => (each === n ? meaning : now)) })
    return (
        <div className="overflow-x-auto border-b border-line pb-2">
            <table className="text-[13px]" aria-label="Columns">
                <thead>
                    <tr>
                        {means.map((meaning, n) => (
                            <th key={n} className="px-1 py-1 text-left font-normal first:pl-5">
                                <select
                                    aria-label={`Column ${n + 1}: ${source.hasHead ? (source.sample[0]?.[n] ?? '') : ''}`}
                                    className={`${fieldsLook} ${meaning === '' ? 'text-ink-3!' : 'font-semibold'}`}
                                    value={meaning}
                                    onChange={event => choose(n, event.target.value)}
                                >
                                    {meaning.startsWith('fields.') && (
                                        <option value={meaning}>Field {meaning.slice(7)}</option>
                                    )}
                                    {columns.map(([value, label]) => (
                                        <option key={value} value={value}>
                                            {label}
                                        </option>
                                    ))}
                                </select>
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {source.sample.slice(0, 4).map((row, line) => (
                        <tr key={line} className={source.hasHead && line === 0 ? 'text-ink-3' : 'text-ink-2'}>
                            {means.map((meaning, n) => (
                                <td
                                    key={n}
                                    className={`max-w-[220px] truncate px-2.5 py-0.5 first:pl-6 ${meaning === '' ? 'text-ink-3' : ''}`}
                                >
                                    {row[n] ?? ''}
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    )
}
