/** How every tool above the words looks. */
export const toolLook = 'grid size-7 place-items-center rounded text-ink-2 hover:bg-sunk hover:text-ink'
