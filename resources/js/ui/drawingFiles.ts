/** The picture as a file of its own: colours written out, since nobody outside knows our variables. */
export function asSvg(picture: SVGSVGElement, width: number, height: number) {
    return new Blob([written(picture, width, height)], { type: 'image/svg+xml' })
}

/** At twice its size, for print. Browsers draw at most so many pixels a side. */
export async function asPng(picture: SVGSVGElement, width: number, height: number) {
    const scale = Math.min(2, 8000 / Math.max(width, height))
    const image = new Image()
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(written(picture, width, height))}`
    await image.decode()
    const canvas = document.createElement('canvas')
    canvas.width = Math.ceil(width * scale)
    canvas.height = Math.ceil(height * scale)
    const context = canvas.getContext('2d')
    if (context === null) throw new Error('This browser draws no pictures.')
    context.drawImage(image, 0, 0, canvas.width, canvas.height)
    return new Promise<Blob>((done, failed) =>
        canvas.toBlob(
            file => (file === null ? failed(new Error('The picture is too large.')) : done(file)),
            'image/png',
        ),
    )
}

function written(picture: SVGSVGElement, width: number, height: number) {
    const copy = picture.cloneNode(true) as SVGSVGElement
    copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
    copy.setAttribute('width', String(width))
    copy.setAttribute('height', String(height))
    const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect')
    for (const [name, value] of Object.entries({ width: '100%', height: '100%', fill: 'var(--paper)' }))
        ground.setAttribute(name, value)
    copy.prepend(ground)
    const style = getComputedStyle(document.documentElement)
    return new XMLSerializer()
        .serializeToString(copy)
        .replace(/var\((--[a-z0-9-]+)\)/g, (_, name: string) => style.getPropertyValue(name).trim())
}
