import { Link } from '@tanstack/react-router'
import { useSite } from '../../app/site'
import { Button, buttonClasses } from '../../ui/Button'
import { Muted } from '../../ui/Muted'

/** A first visit: what will be here, and how to begin. */
export function EmptySite({ onMake, canMake }: { onMake: () => void; canMake: boolean }) {
    const site = useSite()
    return (
        <div className="grid max-w-[440px] content-start gap-2 px-4 pt-16 pl-24">
            <h2 className="text-[20px] leading-7 font-bold">This site has no page yet</h2>
            <Muted>
                The outline will show every page, one inside another, with its address and state. Begin with a first
                page, or import what you have: a table, a sitemap, a list of addresses, saved pages.
            </Muted>
            {canMake && (
                <div className="mt-2 flex gap-2">
                    <Button variant="main" onClick={onMake}>
                        Make the first page
                    </Button>
                    <Link to="/s/$site/bring-in" params={{ site: site.key }} className={buttonClasses()}>
                        Import pages
                    </Link>
                </div>
            )}
        </div>
    )
}
