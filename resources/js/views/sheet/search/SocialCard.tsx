import { useState } from 'react'
import { FileDialog } from '../../../app/FileChooser'
import { Button } from '../../../ui/Button'
import { Field } from '../../../ui/Field'
import { Muted } from '../../../ui/Muted'
import type { Appearance, Texts } from './draft'
import { from } from './settingWords'

type Props = {
    shown: Appearance
    texts: Texts
    picture: string | null
    onTexts: (texts: Partial<Texts>) => void
    onPicture: (file: string | null) => void
}

/** What stands on a card when somebody shares the page, and the fields for it. */
export function SocialCard({ shown, texts, picture, onTexts, onPicture }: Props) {
    const [choosing, setChoosing] = useState(false)
    const card = shown.social
    const inherited = shown.inherited['socialPicture']
    return (
        <section aria-label="Social card" className="grid gap-3">
            <h3 className="font-semibold">Social card</h3>
            <div className="flex overflow-hidden rounded-md border border-line">
                {card.picture === null ? (
                    <span className="grid w-[120px] shrink-0 place-items-center bg-sunk p-2 text-center text-[12px] text-ink-3">
                        No picture
                    </span>
                ) : (
                    <img
                        src={`/_files/${card.picture.id}/picture`}
                        alt=""
                        className="h-[88px] w-[120px] shrink-0 object-cover"
                    />
                )}
                <div className="min-w-0 px-3 py-2">
                    <p className="line-clamp-1 font-semibold">{card.title}</p>
                    <p className="line-clamp-2 text-[12px] leading-4 text-ink-2">{card.description}</p>
                </div>
            </div>
            <Field
                stacked
                label="Social title"
                value={texts.socialTitle}
                placeholder={shown.title.text}
                hint={texts.socialTitle === '' ? 'From the search title.' : 'Set for this page.'}
                onChange={event => onTexts({ socialTitle: event.target.value })}
            />
            <Field
                stacked
                label="Social description"
                value={texts.socialDescription}
                placeholder={shown.description.text}
                hint={texts.socialDescription === '' ? 'From the search description.' : 'Set for this page.'}
                onChange={event => onTexts({ socialDescription: event.target.value })}
            />
            <div className="flex flex-wrap items-center gap-2">
                <Button onClick={() => setChoosing(true)}>Choose a picture…</Button>
                {picture !== null && (
                    <Button variant="quiet" onClick={() => onPicture(null)}>
                        Use the inherited one
                    </Button>
                )}
                <Muted small>
                    {picture !== null
                        ? 'Set for this page. Lists of cards show it too.'
                        : inherited !== undefined && inherited.value !== null
                          ? `The picture comes ${from(inherited)}.`
                          : card.picture !== null
                            ? 'The first picture of the content.'
                            : 'Best are 1200 × 630 px.'}
                </Muted>
            </div>
            {choosing && (
                <FileDialog
                    title="Picture of the social card"
                    pictures
                    onClose={() => setChoosing(false)}
                    onFile={file => {
                        onPicture(file.id)
                        setChoosing(false)
                    }}
                />
            )}
        </section>
    )
}
