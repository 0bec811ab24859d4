/** How every tool above the content looks. */
export const toolClasses = 'grid size-7 place-items-center rounded text-ink-2 hover:bg-sunk hover:text-ink'
