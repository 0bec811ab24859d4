import { expect, test } from 'vitest'
import { wayBack } from '../../resources/js/app/wayBack'

test.each(['/', '/s/ferries/outline', '/s/ferries/outline?row=01M8&tab=words', '/sign-ins'])(
    'one comes back to %s',
    address => {
        expect(wayBack(address)).toBe(address)
    },
)

test.each([
    ['//elsewhere.example/x'],
    ['/\\elsewhere.example'],
    ['/\t/elsewhere.example'],
    ['/\n/elsewhere.example'],
    ['https://elsewhere.example/'],
    ['javascript:alert(1)'],
    ['s/ferries'],
    [''],
    ['/sign-in'],
    ['/sign-in?to=/sign-in'],
    ['/sign-in/'],
    ['/sign-in#x'],
    [undefined],
    [7],
    [['/s/ferries']],
])('one does not come back to %j', asked => {
    expect(wayBack(asked)).toBeUndefined()
})

test('what is let through stays on this host, as a browser reads it', () => {
    const signs = ['/', '\\', '\t', '\n', '\r', 'x', '.', '@', ':', '?', '#', '%2f', ' ']
    for (const a of signs)
        for (const b of signs)
            for (const c of signs) {
                const asked = `/${a}${b}${c}elsewhere.example/`
                if (wayBack(asked) !== undefined) expect(new URL(asked, 'http://editor.test/').host).toBe('editor.test')
            }
})
