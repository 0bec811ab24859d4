/** What the document format says of a picture. */
export type Picture = {
    file: string
    alt: string
    decorative: boolean
    caption: string
    align: 'left' | 'centre' | 'right'
    width: 25 | 50 | 75 | 100
}
