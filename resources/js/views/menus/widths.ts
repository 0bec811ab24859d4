import type { Schemas } from '../../api/client'

let canvas: CanvasRenderingContext2D | null | undefined

/** How wide a label is on the site, in px: measured, since letters differ. The layout's bar has 16 px of the system's face. */
export function widthOf(label: string) {
    canvas ??= document.createElement('canvas').getContext('2d')
    if (canvas === null || canvas === undefined) return 0
    canvas.font = '16px system-ui, sans-serif'
    return Math.ceil(canvas.measureText(label).width)
}

/** Labels of the first level that are wider than the place has room for. */
export function tooWide(shown: Schemas['ShownEntry'][], widest: number) {
    return shown
        .filter(entry => entry.hidden === null && entry.kind !== 'separator')
        .map(entry => ({ entry: entry.entry, label: entry.label, px: widthOf(entry.label) }))
        .filter(({ px }) => px > widest)
}
