import { Outlet } from '@tanstack/react-router'
import { Suspense, useEffect, useState } from 'react'
import { onSignedOut } from '../api/client'
import { useAsked } from './asked'
import { useChanges, ChangesProvider, tray } from './changes'
import type { Named } from './pageActs'
import { Rail } from './Rail'
import { useSite } from './site'
import { Notices } from './notify'
import { TopStrip } from './TopStrip'
import { lazily } from '../ui/lazily'
import { useConfirming } from './useConfirming'
import { timesAreOf } from '../ui/time'
import { useKey } from '../ui/useKey'
import { useWorked } from './useWorked'

const door = () => import('./AtTheDoor')
const GoTo = lazily(() => import('./GoTo').then(module => module.GoTo))
const KeysSheet = lazily(() => import('./KeysSheet').then(module => module.KeysSheet))
const RippleTray = lazily(() => tray().then(module => module.RippleTray))
const ConfirmIt = lazily(() => door().then(module => module.ConfirmIt))
const Strips = lazily(() => import('./Strips').then(module => module.Strips))
const DuplicatePage = lazily(() => import('./DuplicatePage').then(module => module.DuplicatePage))
const SignedOut = lazily(() => door().then(module => module.SignedOut))

/** How high a strip above the view is, px. */
const STRIP = 43

/** Rail at the left, strip at the top, the view, and the ripple tray below it. */
export function Shell() {
    const site = useSite()
    timesAreOf(site)
    return (
        <ChangesProvider key={site.key} site={site.key}>
            <Frame />
        </ChangesProvider>
    )
}

function Frame() {
    const { lookingAs, key } = useSite()
    const worked = useWorked(key)
    const [keysShown, showKeys] = useState(false)
    const [goTo, setGoTo] = useState(false)
    const [signedOut, setSignedOut] = useState(false)
    const { pending } = useChanges()
    useEffect(() => onSignedOut(() => setSignedOut(true)), [])
    const [asked, answer] = useConfirming()
    const [duplicating, duplicate] = useState<Named | null>(null)
    useAsked(({ what, page }) => {
        if (what === 'duplicate' && page !== undefined) duplicate(page)
        return what === 'duplicate'
    })
    useShellKeys(
        () => showKeys(true),
        () => setGoTo(true),
    )
    return (
        <div className="grid h-full grid-cols-[76px_minmax(0,1fr)] grid-rows-[48px_minmax(0,1fr)] max-sm:grid-cols-[52px_minmax(0,1fr)]">
            <a
                href="#view"
                className="absolute -top-20 left-3 z-50 rounded bg-heron px-3 py-1 text-on-heron focus:top-2"
            >
                Skip to the view
            </a>
            <TopStrip onGoTo={() => setGoTo(true)} />
            <Rail onKeys={() => showKeys(true)} />
            <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto]">
                {/* Room for the strips that are known to come. */}
                <div style={{ minHeight: (lookingAs === null ? 0 : STRIP) + (worked === null ? 0 : STRIP) }}>
                    <Strips />
                </div>
                <div id="view" className="min-h-0" tabIndex={-1}>
                    <Suspense fallback={null}>
                        <Outlet />
                    </Suspense>
                </div>
                {pending === null ? <div aria-live="polite" /> : <RippleTray key={pending.title} pending={pending} />}
            </div>
            {goTo && <GoTo open onClose={() => setGoTo(false)} onKeys={() => showKeys(true)} />}
            {keysShown && <KeysSheet open onClose={() => showKeys(false)} />}
            {signedOut && <SignedOut onBack={() => setSignedOut(false)} />}
            {duplicating !== null && <DuplicatePage page={duplicating} onClose={() => duplicate(null)} />}
            {asked && <ConfirmIt onAnswer={answer} />}
            <Notices />
        </div>
    )
}

function useShellKeys(onKeys: () => void, onGoTo: () => void) {
    const { undo, redo } = useChanges()
    useKey('mod+k', onGoTo, 'everywhere')
    useKey('mod+z', undo)
    useKey('mod+shift+z', redo)
    useKey('?', onKeys)
}
