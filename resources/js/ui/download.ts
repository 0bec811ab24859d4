/** Hands a file to the browser under a name. */
export function download(file: Blob, name: string) {
    const address = URL.createObjectURL(file)
    const link = document.createElement('a')
    link.href = address
    link.download = name
    link.click()
    setTimeout(() => URL.revokeObjectURL(address), 10_000)
}
