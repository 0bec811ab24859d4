import { createElement } from 'react'
import { lazily } from '../../ui/lazily'

// What is typed into rows is fetched right after they stand: it is there before anybody can ask for it.
const inlineFields = () => import('./InlineFields')
export const MakeField = lazily(() => inlineFields().then(module => module.MakeField))
export const NameField = lazily(() => inlineFields().then(module => module.NameField))
export const SlugField = lazily(() => inlineFields().then(module => module.SlugField))
setTimeout(() => void inlineFields().catch(() => undefined))

/** Most rows are plain pages, which have none. It stands behind the name, where nothing is pushed by it. */
export const KindSign = lazily(
    () => import('./KindSign').then(module => module.KindSign),
    createElement('span', { className: 'ml-1.5 w-[13px] shrink-0' }),
)
