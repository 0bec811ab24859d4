import { useEffect, useRef, type RefObject } from 'react'
import { ROW } from './rows'

/** Milliseconds to wait for so many rows; there may be fewer by now. */
const MAX_WAIT = 3000

/**
 * Keeps how far the rows are scrolled in the address, in rows, and goes there on arrival. Until then
 * `arriving` tells that bringing the active row into sight has to wait its turn.
 */
export function useScrollPlace(
    scroller: RefObject<HTMLDivElement | null>,
    top: number | undefined,
    rows: number,
    onTop: (top: number | undefined) => void,
) {
    const arriving = useRef(top !== undefined)
    const landed = useRef<ReturnType<typeof setTimeout>>(undefined)
    useEffect(() => {
        if (!arriving.current || top === undefined) return
        const land = (after: number) => {
            clearTimeout(landed.current)
            landed.current = setTimeout(() => {
                arriving.current = false
            }, after)
        }
        if (rows > top) {
            scroller.current?.scrollTo({ top: top * ROW })
            land(100) // the row that is active was given its chance to come into sight in this very round
        } else {
            land(MAX_WAIT)
        }
    }, [rows, scroller, top])
    useEffect(() => {
        const element = scroller.current
        let waiting: ReturnType<typeof setTimeout> | undefined
        const scrolled = () => {
            clearTimeout(waiting)
            waiting = setTimeout(() => {
                if (!arriving.current)
                    onTop(
                        Math.round(element?.scrollTop ?? 0) === 0
                            ? undefined
                            : Math.round(((element?.scrollTop ?? 0) / ROW) * 100) / 100,
                    )
            }, 250)
        }
        element?.addEventListener('scroll', scrolled, { passive: true })
        return () => {
            clearTimeout(waiting)
            element?.removeEventListener('scroll', scrolled)
        }
    }, [onTop, scroller])
    return arriving
}
