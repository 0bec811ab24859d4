import clsx from 'clsx'
import type { Page } from './rows'

type Look = 'full' | 'part' | 'missing'

const descriptions: Record<Page['description'], [Look, string]> = {
    own: ['full', 'Description: set for this page'],
    summary: ['full', 'Description: from the summary'],
    content: ['part', 'Description: falls back to the first sentences'],
    site: ['missing', "Description: none; the site's stands in"],
    none: ['missing', 'Description: none'],
}

/** One of the marks. */
export const Reed = ({ look }: { look: Look }) => <span className={clsx('reed', look !== 'full' && look)} />

/** Title, description, index: full, part or missing, in words on hover and for readers. */
export function Reeds({ page }: { page: Page }) {
    const [description, descriptionWords] = descriptions[page.description]
    const titleWords = page.title === 'own' ? 'Title: set for this page' : "Title: from the site's pattern"
    const [index, indexWords]: [Look, string] =
        page.state === 'live'
            ? !page.listed
                ? ['missing', 'Index: no, unlisted']
                : page.indexed
                  ? ['full', 'Index: yes']
                  : ['missing', 'Index: no, asked not to']
            : ['part', 'Index: once live']
    const words = [titleWords, descriptionWords, indexWords]
    return (
        // One a row: the browser's own hint weighs nothing.
        <span
            role="img"
            aria-label={words.join('. ')}
            title={words.join('\n')}
            className="inline-flex h-4 items-end gap-[3px] px-1"
        >
            {(['full', description, index] satisfies Look[]).map((look, i) => (
                <Reed key={i} look={look} />
            ))}
        </span>
    )
}
