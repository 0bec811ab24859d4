import type { Editor } from '@tiptap/react'
import type {
    ButtonAttrs,
    FileAttrs,
    GalleryAttrs,
    PagesAttrs,
    Picture,
    SharedAttrs,
    TableAttrs,
    VideoAttrs,
} from './blocks'
import { ButtonDialog } from './ButtonDialog'
import { FileBlockDialog } from './FileBlockDialog'
import { GalleryDialog } from './GalleryDialog'
import { insertBlock } from './insertBlock'
import { PagesDialog } from './PagesDialog'
import { PictureDialog } from './PictureDialog'
import type { OpenSettings } from './settings'
import { SharedDialog } from './SharedDialog'
import { blankTable } from './table'
import { TableDialog } from './TableDialog'
import { VideoDialog } from './VideoDialog'

type Props = { editor: Editor; settings: OpenSettings; onClose: () => void }

/** The settings of a block, new or there already; what is taken goes into the content. */
export function BlockSettings({ editor, settings: { type, attrs, at }, onClose }: Props) {
    const put = (taken: object, block: object = { type, attrs: taken }) => {
        if (at === null) insertBlock(editor, block)
        else
            editor
                .chain()
                .command(({ tr }) => {
                    const now = tr.doc.nodeAt(at)
                    if (now?.type.name === type) tr.setNodeMarkup(at, null, { ...now.attrs, ...taken })
                    return true
                })
                .focus()
                .run()
        onClose()
    }
    const shared = { isNew: at === null, onClose }
    if (type === 'picture') return <PictureDialog {...shared} picture={attrs as Picture} onTake={put} />
    if (type === 'button') return <ButtonDialog {...shared} button={attrs as ButtonAttrs} onTake={put} />
    if (type === 'gallery') return <GalleryDialog {...shared} gallery={attrs as GalleryAttrs} onTake={put} />
    if (type === 'video') return <VideoDialog {...shared} video={attrs as VideoAttrs} onTake={put} />
    if (type === 'file') return <FileBlockDialog {...shared} file={attrs as FileAttrs} onTake={put} />
    if (type === 'shared') return <SharedDialog {...shared} shared={attrs as SharedAttrs} onTake={put} />
    if (type === 'pages') return <PagesDialog {...shared} pages={attrs as PagesAttrs} onTake={put} />
    return (
        <TableDialog
            {...shared}
            table={attrs as TableAttrs}
            onTake={(table, size) => put(table, blankTable(size.rows, size.columns, table))}
        />
    )
}
