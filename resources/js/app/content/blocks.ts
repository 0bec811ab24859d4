/** What the document format says of blocks, as far as the editor sets it. */
export type Link =
    { page: string; rest?: string | undefined } | { file: string } | { href: string } | { wanted: string }
export type LinkAttrs = Link & { title?: string | undefined; newWindow?: boolean | undefined }

export type PictureTexts = { file: string; alt: string; decorative: boolean; caption: string }

export type Picture = PictureTexts & {
    align: 'left' | 'centre' | 'right'
    width: 25 | 50 | 75 | 100
    enlarge?: boolean | undefined
    link?: LinkAttrs | null | undefined
}

export type ButtonAttrs = { text: string; look: 'strong' | 'quiet'; link: LinkAttrs | null }

export type GalleryAttrs = {
    view: 'grid' | 'slides'
    /** Chosen ones, or those of a folder of files. */
    pictures?: PictureTexts[] | null | undefined
    folder?: string | null | undefined
}

export type VideoAttrs = {
    /** A file of the site, or the address of a film elsewhere. */
    file?: string | null | undefined
    address?: string | null | undefined
    title: string
    caption: string
    poster?: { file: string } | null | undefined
    captions?: { file: string; language: string } | null | undefined
}

export type SharedAttrs = { piece: string }

export type FileAttrs = { file: string; name: string }

export type PagesAttrs = {
    from: 'branch' | 'tag' | 'picks' | 'chosen'
    tag?: string | null | undefined
    field?: string | null | undefined
    branch?: { page: string } | null | undefined
    picks?: string | null | undefined
    chosen?: { page: string }[] | null | undefined
    order?: 'tree' | 'newest' | 'name' | 'field' | undefined
    view: 'cards' | 'list'
    most: number
}

export type TableAttrs = { caption: string; headRow: boolean; headColumn: boolean }

/** Blocks that are set in a dialog rather than typed, with what a new one begins with. */
export const settable = {
    picture: { file: '', alt: '', decorative: false, caption: '', align: 'centre', width: 100 } satisfies Picture,
    button: { text: '', look: 'strong', link: null } satisfies ButtonAttrs,
    gallery: { view: 'grid', pictures: [], folder: null } satisfies GalleryAttrs,
    video: { file: null, address: null, title: '', caption: '', poster: null, captions: null } satisfies VideoAttrs,
    file: { file: '', name: '' } satisfies FileAttrs,
    shared: { piece: '' } satisfies SharedAttrs,
    pages: { from: 'branch', branch: null, order: 'tree', view: 'cards', most: 12 } satisfies PagesAttrs,
    table: { caption: '', headRow: true, headColumn: false } satisfies TableAttrs,
} as const

export type Settable = keyof typeof settable

export const isSettable = (type: string): type is Settable => type in settable
