import { csrfToken, type Schemas } from '../../api/client'
import type { FilesSearch } from '../../app/filesSearch'

export type SiteFile = Schemas['File']
export type FileDetail = Schemas['FileDetail']

/** 1 kB = 1,000 bytes. */
export function size(bytes: number) {
    if (bytes >= 1_000_000) return `${(bytes / 1_000_000).toFixed(1).replace(/\.0$/, '')} MB`
    return bytes >= 1_000 ? `${Math.round(bytes / 1_000)} kB` : `${bytes} bytes`
}

export const ending = (name: string) => (name.split('.').pop() ?? '').toUpperCase()

export const usesInWords = (file: SiteFile) =>
    file.binned !== null
        ? 'in the bin'
        : file.uses === 0
          ? 'not used'
          : `used ${file.uses === 1 ? 'once' : `${file.uses} times`}`

const isIn = (folder: string, above: string) => folder === above || folder.startsWith(`${above}/`)

/** Those that are asked for, in the order that is asked for. */
export function filtered(files: SiteFile[], { text, kind, use, sort, folder }: FilesSearch) {
    const wanted = (text ?? '').trim().toLowerCase()
    const found = files.filter(
        file =>
            (use === 'binned') === (file.binned !== null) &&
            (use !== 'unused' || file.uses === 0) &&
            (use !== 'used' || file.uses > 0) &&
            (kind === undefined || file.kind === kind) &&
            (folder === undefined || (folder === '/' ? file.folder === '' : isIn(file.folder, folder))) &&
            (wanted === '' || `${file.name} ${file.alt} ${file.caption}`.toLowerCase().includes(wanted)),
    )
    if (sort === 'newest') return found.toSorted((a, b) => b.changed.localeCompare(a.changed))
    if (sort === 'largest') return found.toSorted((a, b) => b.bytes - a.bytes)
    return found.toSorted((a, b) => a.name.localeCompare(b.name))
}

/** Folders with all above them, each with how many files lie in it or below. */
export function foldersOf(files: SiteFile[]) {
    const counts = new Map<string, number>()
    for (const { folder, binned } of files) {
        if (binned !== null || folder === '') continue
        const parts = folder.split('/')
        parts.forEach((_, i) => {
            const path = parts.slice(0, i + 1).join('/')
            counts.set(path, (counts.get(path) ?? 0) + 1)
        })
    }
    return [...counts].sort(([a], [b]) => a.localeCompare(b))
}

/** Sends a file with news of how far it is; it can be stopped. */
export function sendFile(
    address: string,
    file: Blob,
    fields: Record<string, string>,
    progress: (share: number) => void,
    stop?: AbortSignal,
) {
    return new Promise<FileDetail>((done, failed) => {
        const request = new XMLHttpRequest()
        const body = new FormData()
        body.append('file', file)
        for (const [name, value] of Object.entries(fields)) body.append(name, value)
        request.open('POST', `/api/v1/sites/${address}`)
        request.setRequestHeader('X-XSRF-TOKEN', csrfToken())
        request.setRequestHeader('Accept', 'application/json')
        request.upload.onprogress = event => progress(event.lengthComputable ? event.loaded / event.total : 0)
        request.onload = () => {
            const answer = read(request.responseText)
            if (request.status < 300 && answer !== null) done(answer as FileDetail)
            else {
                const problem = answer as { errors?: { reason: string }[]; detail?: string } | null
                failed(new Error(problem?.errors?.[0]?.reason ?? problem?.detail ?? 'The file was not taken.'))
            }
        }
        request.onerror = () => failed(new Error('The connection broke off. Try again.'))
        request.onabort = () => failed(new Error('Stopped.'))
        stop?.addEventListener('abort', () => request.abort())
        request.send(body)
    })
}

function read(text: string): unknown {
    try {
        return JSON.parse(text)
    } catch {
        return null
    }
}
