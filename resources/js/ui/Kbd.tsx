/** A key, as keyboards name it; Ctrl is shown as ⌘ where that is the key. */
export function Kbd({ children }: { children: string }) {
    const apple = navigator.platform.startsWith('Mac')
    return (
        <kbd className="rounded-[3px] border border-line bg-paper px-1 font-mono text-[11px] leading-4 text-ink-2">
            {apple ? children.replace('Ctrl', '⌘') : children}
        </kbd>
    )
}
