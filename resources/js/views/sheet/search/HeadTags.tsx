import { notify } from '../../../app/notify'
import { Button } from '../../../ui/Button'

/** The tags as they are sent, to be read and copied. */
export function HeadTags({ head }: { head: string }) {
    return (
        <details className="border-t border-line pt-3">
            <summary className="font-semibold">Head tags as they are sent</summary>
            <pre className="mt-2 max-h-[220px] overflow-auto rounded-md bg-sunk p-3 font-mono text-[12px] leading-5 whitespace-pre-wrap">
                {head}
            </pre>
            <Button
                variant="quiet"
                className="mt-1 -ml-2"
                onClick={() =>
                    void navigator.clipboard.writeText(head).then(
                        () => notify.success('Copied.'),
                        () => notify.error('This browser does not allow copying here. Select the tags and copy them.'),
                    )
                }
            >
                Copy the tags
            </Button>
        </details>
    )
}
