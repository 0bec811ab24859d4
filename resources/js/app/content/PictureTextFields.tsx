import { Choice } from '../../ui/Choice'
import { Field } from '../../ui/Field'
import type { PictureTexts } from './blocks'

type Props = {
    texts: PictureTexts
    missing: boolean
    autoFocus?: boolean
    onChange: (change: Partial<PictureTexts>) => void
}

/** What is said of a picture: its alternative text, which it needs unless it is only decoration, and its caption. */
export function PictureTextFields({ texts, missing, autoFocus = false, onChange }: Props) {
    return (
        <>
            <Field
                stacked
                label="Alternative text"
                value={texts.alt}
                disabled={texts.decorative}
                maxLength={500}
                onChange={event => onChange({ alt: event.target.value })}
                autoFocus={autoFocus}
                error={
                    missing && texts.alt.trim() === '' && !texts.decorative
                        ? 'Say what the picture shows, for people who do not see it, or mark it as decorative.'
                        : undefined
                }
                hint="What the picture shows, in a sentence."
            />
            <Choice checked={texts.decorative} onChange={event => onChange({ decorative: event.target.checked })}>
                Decorative: it says nothing that the text does not
            </Choice>
            <Field
                stacked
                label="Caption"
                value={texts.caption}
                maxLength={500}
                onChange={event => onChange({ caption: event.target.value })}
            />
        </>
    )
}

export const isComplete = ({ alt, decorative }: PictureTexts) => decorative || alt.trim() !== ''

export const settled = <Texts extends PictureTexts>(texts: Texts): Texts => ({
    ...texts,
    alt: texts.decorative ? '' : texts.alt.trim(),
    caption: texts.caption.trim(),
})
