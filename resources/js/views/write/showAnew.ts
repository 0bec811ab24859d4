/** What the layout shows above and below the content, read anew: the content being written stays where it is. */
export async function showAnew(frame: Document, address: string) {
    const answer = await fetch(address)
    if (!answer.ok) return
    const fresh = new DOMParser().parseFromString(await answer.text(), 'text/html')
    for (const place of ['above', 'below']) {
        const [old, now] = [frame, fresh].map(from => from.querySelector(`[data-room="${place}"]`))
        if (old && now) old.replaceWith(frame.adoptNode(now))
    }
}
