import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { isMissing } from '../../api/client'
import { pageQuery } from '../../api/queries'
import { notify } from '../../app/notify'
import { rememberedPlace, rememberPlace } from '../../app/outlineSearch'
import type { Search, SetSearch } from './search'

/** Opens the branches above a row that is named in the address and not known yet, and fetches the piece it stands in. */
export function useReveal(
    site: string,
    row: string | undefined,
    wanted: boolean,
    onPlace: (within: string[], index: number) => void,
) {
    const page = useQuery({ ...pageQuery(site, row ?? ''), enabled: wanted && row !== undefined })
    const done = useRef('')
    const { error } = page
    useEffect(() => {
        // A page that is no more is simply not marked; whatever else went wrong is said.
        if (error !== null && !isMissing(error)) notify.error(`The marked page could not be found: ${error.message}`)
    }, [error])
    useEffect(() => {
        if (wanted && page.data !== undefined && row !== undefined && done.current !== row) {
            done.current = row
            onPlace(
                page.data.sheet.within.map(each => each.id),
                page.data.sheet.index,
            )
        }
    })
}

/** Opens where one left it: branches and row are remembered in this browser, and used when the address says nothing. */
export function useRemembered(
    site: string,
    { open, row, top, page, filter, state, kind, marked }: Search,
    set: SetSearch,
) {
    useEffect(() => {
        const kept = rememberedPlace(site)
        if (kept !== null && [open, row, page, filter, state, kind, marked].every(part => part === undefined)) set(kept)
        // Only on arrival: closing the last branch later is no arrival.
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, [site])
    useEffect(() => {
        if (open !== undefined || row !== undefined) rememberPlace(site, { open, row, top })
    }, [open, row, site, top])
}
