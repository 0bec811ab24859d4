import { useMutation } from '@tanstack/react-query'
import { answered, api } from '../../api/client'
import { useSite } from '../../app/site'
import { Alert } from '../../ui/Alert'
import { Button } from '../../ui/Button'
import { date } from '../../ui/time'
import { size, type FileDetail } from './files'

/** What stood in the place of a file before, each to be brought back. */
export function Versions({ file, onBrought }: { file: FileDetail; onBrought: () => void }) {
    const site = useSite()
    const bring = useMutation({
        mutationFn: (number: number) =>
            answered(
                api.POST('/sites/{site}/files/{file}/versions/{number}', {
                    params: { path: { site: site.key, file: file.id, number: String(number) } },
                }),
            ),
        onSuccess: onBrought,
    })
    if (file.versions.length === 0) return null
    return (
        <section aria-label="Earlier versions" className="border-t border-line pt-3">
            <h3 className="mb-1 font-semibold">Earlier versions</h3>
            <ul className="grid gap-1 text-[13px]">
                {file.versions.map(version => (
                    <li key={version.number} className="flex items-center gap-2">
                        <span className="min-w-0 flex-1">
                            Version {version.number}, {size(version.bytes)}
                            {version.width !== null && `, ${version.width} × ${version.height}`}
                            <span className="text-ink-3">
                                , until {date(version.kept)}
                                {version.by !== null && `, by ${version.by}`}
                            </span>
                        </span>
                        {site.may('files') && (
                            <Button
                                variant="quiet"
                                disabled={bring.isPending}
                                aria-label={`Bring back version ${version.number}`}
                                onClick={() => bring.mutate(version.number)}
                            >
                                Bring back
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            {bring.error !== null && <Alert>{bring.error.message}</Alert>}
        </section>
    )
}
