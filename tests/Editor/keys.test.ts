import { expect, test } from 'vitest'
import { pressed } from '../../resources/js/ui/useKey'

const none = { ctrlKey: false, metaKey: false, altKey: false, shiftKey: false }

test.each([
    ['mod+k', { key: 'k', ctrlKey: true }],
    ['mod+k', { key: 'k', metaKey: true }],
    ['mod+shift+z', { key: 'Z', ctrlKey: true, shiftKey: true }],
    ['?', { key: '?', shiftKey: true }],
    ['?', { key: '?' }],
    ['d', { key: 'D' }],
    ['alt+d', { key: 'd', altKey: true }],
    ['escape', { key: 'Escape' }],
])('%s', (name, event) => {
    expect(pressed({ ...none, ...event })).toBe(name)
})
