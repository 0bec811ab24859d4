import { Button } from '../../ui/Button'
import { Field, FieldFrame } from '../../ui/Field'
import type { EntryEditing } from './EntryFields'

/** What a pick says on its card, where it does not follow its page. */
export function CardFields({ entry, writes, onChange, onPick, error }: EntryEditing) {
    const follows = entry.picture === undefined
    return (
        <>
            <Field
                stacked
                label="Text on the card"
                hint="Without one it follows the summary of the page."
                value={entry.text ?? ''}
                onChange={event => onChange({ text: event.target.value })}
                error={error('text')}
                disabled={!writes}
            />
            <FieldFrame
                stacked
                label="Picture on the card"
                hint={follows ? 'Without one it follows the first picture of the page.' : undefined}
                error={error('picture')}
            >
                {({ id }) => (
                    <div className="flex items-center gap-2">
                        <output id={id} className={follows ? 'sr-only' : ''}>
                            {follows ? (
                                'that of the page'
                            ) : (
                                <img
                                    src={`/_files/${entry.picture ?? ''}/picture`}
                                    alt="the picture chosen for this card"
                                    className="h-12 w-18 rounded object-cover"
                                />
                            )}
                        </output>
                        {writes && (
                            <Button
                                variant="quiet"
                                className={follows ? '-ml-3' : ''}
                                onClick={() => onPick('picture')}
                            >
                                Choose…
                            </Button>
                        )}
                        {writes && !follows && (
                            <Button variant="quiet" onClick={() => onChange({ picture: undefined })}>
                                Follow the page
                            </Button>
                        )}
                    </div>
                )}
            </FieldFrame>
        </>
    )
}
