import { useEffect } from 'react'

/** How long a place stays covered after its notice has gone, ms: about as long as a hand on its way needs to notice. */
const COVERED = 600

/** A click that was meant for a notice, and comes as it vanishes, reaches nothing that lies beneath: for a moment the place stays covered. */
export function useToastShield() {
    useEffect(() => {
        const shields = new Set<HTMLElement>()
        const cover = (box: DOMRect) => {
            const shield = document.createElement('div')
            shield.setAttribute('aria-hidden', 'true')
            Object.assign(shield.style, {
                position: 'fixed',
                left: `${box.left}px`,
                top: `${box.top}px`,
                width: `${box.width}px`,
                height: `${box.height}px`,
                zIndex: '60',
            })
            shields.add(shield)
            document.body.append(shield)
            setTimeout(() => {
                shields.delete(shield)
                shield.remove()
            }, COVERED)
        }
        const watch = new MutationObserver(changes => {
            for (const { target } of changes)
                if (target instanceof HTMLElement && target.matches('[data-sonner-toast][data-removed=true]'))
                    cover(target.getBoundingClientRect())
        })
        watch.observe(document.body, { subtree: true, attributes: true, attributeFilter: ['data-removed'] })
        return () => {
            watch.disconnect()
            for (const shield of shields) shield.remove()
        }
    }, [])
}
