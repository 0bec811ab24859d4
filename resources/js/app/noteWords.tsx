import type { Schemas } from '../api/client'
import { count } from '../ui/count'

/** A note of a ripple as a sentence. */
export function noteWords({ kind, name, other }: Schemas['RippleNote']) {
    const words: Record<Schemas['RippleNote']['kind'], string> = {
        'live-under-hidden': `“${name}” is live, and “${other ?? ''}” above it is not: visitors find it only by its address.`,
        'no-menu-reaches': `“${name}” lies below “${other ?? ''}”, which is unlisted: no menu leads there.`,
        'leaves-menu': `“${name}” stays live and is no longer in ${other ?? 'a menu'}.`,
        'in-no-menu': `No menu leads to “${name}” any more.`,
        'menu-reaches-again': `“${name}” will now appear in ${other ?? 'a menu'}.`,
        'start-page-hidden': `“${name}” is the start page: visitors of the site's front door get “page not found”.`,
        'start-shows-others': `As the start page, “${name}” shows the cards of the front page, no longer those of what is inside it.`,
        'address-taken-over': `The address that visitors know for “${name}” answers with “${other ?? ''}” from now on.`,
        'address-gone': `${other ?? 'The address'} was known to visitors of “${name}”: it will return 410 (gone).`,
        'fields-kept': `The new layout of “${name}” has no place for ${other ?? 'some fields'}. What stands there is kept, and comes back with the old layout.`,
        retires:
            other === '0'
                ? `“${name}” goes into the bin, alone.`
                : `“${name}” goes into the bin, and ${count(Number(other), 'page')} inside it ${other === '1' ? 'goes' : 'go'} along.`,
        'section-empty': `“${name}” is a section without a live page inside: its address leads nowhere.`,
        'pointer-broken': `“${name}” points to ${other === null ? 'a page that is gone' : `“${other}”, which visitors do not get`}.`,
        stays: `The ${other ?? 'rest'} of “${name}” has changed again since, or can no longer be as it was: it stays.`,
        'stays-made': /^\d+$/.test(other ?? '')
            ? `“${name}” stays: ${count(Number(other), 'page')} lie inside it by now.`
            : `“${name}” stays: its ${other ?? 'place'} has changed since it was made.`,
        'menu-stays': `“${name}” has been changed again since; what was changed stays.`,
        'redirect-stays': `The redirect of ${name} has changed again since, or its address has another holder by now: it stays as it is.`,
        'search-stays': 'What the whole site tells search engines has changed again since: it stays as it is.',
        'redirect-hides': `The redirect of ${other ?? 'the address'} answers before “${name}”: visitors no longer get that page there.`,
        'redirect-chains': `${name} leads to another redirect; visitors end up at ${other ?? ''}. Lead there at once, and nothing comes between.`,
        'redirects-lead-here': `${count(Number(other), 'redirect leads', 'redirects lead')} to ${name} already, and would take one more step. Findings straightens them.`,
        'redirect-circles': `The redirect of ${name} leads back to itself, as it did before. Switch it off, or lead it elsewhere.`,
        'unsaved-content-goes': `${other ?? 'Somebody'} has unsaved content on “${name}”: it goes with the page, and comes back if this is undone.`,
        'branch-goes': `What is said of the rights of ${other ?? 'somebody'} in “${name}” goes with it.`,
        'address-rules-stay': 'How addresses are written has changed again since, and stays as it is.',
        'access-stays': 'Rights and people have changed again since, and stay as they are.',
        'redirects-break': `${count(Number(other), 'redirect leads', 'redirects lead')} to “${name}”, which visitors no longer get.`,
        'is-gone': `${name === '' ? 'A page' : `“${name}”`} is no longer there, so nothing of it goes back.`,
    }
    return words[kind]
}
