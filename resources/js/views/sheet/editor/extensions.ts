import StarterKit from '@tiptap/starter-kit'
import { Placeholder } from '@tiptap/extensions'
import { LinkMark } from './LinkMark'
import { PictureNode } from './PictureNode'

/** What the document format knows, and nothing else. */
export function extensions(site: string) {
    return [
        StarterKit.configure({
            heading: { levels: [2, 3, 4] },
            code: false,
            codeBlock: false,
            strike: false,
            underline: false,
            horizontalRule: false,
            link: false,
        }),
        LinkMark,
        PictureNode.configure({ site }),
        Placeholder.configure({ placeholder: 'Write here, or paste from elsewhere.' }),
    ]
}
