/** What was typed, when it is an address, mail address or telephone number rather than a name to look for. */
export function outsideLink(text: string): string | null {
    if (/^(https?:\/\/|mailto:|tel:)\S+$/i.test(text)) return text
    if (/^[^\s@/]+@[^\s@]+\.[^\s@]+$/.test(text)) return `mailto:${text}`
    if (/^www\.\S+\.\S+$/i.test(text)) return `https://${text}`
    if (/^\+?\(?[0-9][0-9 ()/-]{5,}$/.test(text)) return `tel:${text.replace(/[^+0-9]/g, '')}`
    return null
}

/** What was typed, when it is an address of this site, or a place on this page, as it is written. */
export function writtenLink(text: string): string | null {
    return /^[/#][^\s/\\]\S*$/.test(text) ? text : null
}
