import { beforeEach, describe, expect, test, vi } from 'vitest'
import { among, turned } from '../../resources/js/ui/several'
import { textOf } from '../../resources/js/ui/textOf'

describe('values that stand in an address', () => {
    test('are turned on and off, and nothing is left of none', () => {
        expect(among(undefined)).toEqual([])
        expect(among('a,,b')).toEqual(['a', 'b'])
        expect(turned(undefined, 'a')).toBe('a')
        expect(turned('a', 'b')).toBe('a,b')
        expect(turned('a,b', 'a')).toBe('b')
        expect(turned('a', 'a')).toBeUndefined()
    })
})

describe('text of a file', () => {
    const file = (bytes: number[]) => new File([new Uint8Array(bytes)], 'x.csv')

    test.each([
        ['UTF-8', [0x46, 0xc3, 0xa4, 0x68, 0x72, 0x65]],
        ['UTF-8 with a byte order mark', [0xef, 0xbb, 0xbf, 0x46, 0xc3, 0xa4, 0x68, 0x72, 0x65]],
        ['UTF-16, small end first', [0xff, 0xfe, 0x46, 0, 0xe4, 0, 0x68, 0, 0x72, 0, 0x65, 0]],
        ['UTF-16, great end first', [0xfe, 0xff, 0, 0x46, 0, 0xe4, 0, 0x68, 0, 0x72, 0, 0x65]],
        ['Windows-1252', [0x46, 0xe4, 0x68, 0x72, 0x65]],
    ])('is read in the encoding that it seems to have: %s', async (_, bytes) => {
        expect(await textOf(file(bytes))).toBe('Fähre')
    })

    test('is nothing where there is nothing', async () => {
        expect(await textOf(file([]))).toBe('')
    })
})

describe('the plan that one works in', () => {
    let kept: Record<string, string>
    const plans = async () => {
        vi.resetModules()
        return import('../../resources/js/app/planned')
    }
    beforeEach(() => {
        kept = {}
        vi.stubGlobal('sessionStorage', {
            getItem: (key: string) => kept[key] ?? null,
            setItem: (key: string, value: string) => (kept[key] = value),
        })
    })

    test('is one of one site, in this tab, also after it is loaded anew', async () => {
        const plan = { site: 'ferries', id: 'p', name: 'Next year' }
        const { workIn, workedOn } = await plans()
        workIn(plan)
        expect(workedOn('ferries')).toEqual(plan)
        expect(workedOn('boatyard')).toBeNull()
        expect((await plans()).workedOn('ferries')).toEqual(plan)
        ;(await plans()).workIn(null)
        expect((await plans()).workedOn('ferries')).toBeNull()
    })

    test('is told to whoever listens, until they no longer do', async () => {
        const { workIn, onWorked } = await plans()
        const heard = vi.fn()
        const stop = onWorked(heard)
        workIn({ site: 'ferries', id: 'p', name: 'N' })
        stop()
        workIn(null)
        expect(heard).toHaveBeenCalledOnce()
    })

    test('goes along with every request about its site but those about plans', async () => {
        const { workIn, planOfRequest } = await plans()
        workIn({ site: 'ferries', id: 'p', name: 'N' })
        for (const path of ['outline', 'pages/01', 'menus', 'plans-of-old'])
            expect(planOfRequest(`/api/v1/sites/ferries/${path}`)?.id).toBe('p')
        for (const path of ['/api/v1/sites/ferries/plans', '/api/v1/sites/ferries/plans/p/steps', '/api/v1/session'])
            expect(planOfRequest(path)).toBeNull()
        expect(planOfRequest('/api/v1/sites/boatyard/outline')).toBeNull()
    })
})
