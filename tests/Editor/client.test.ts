import { afterEach, describe, expect, test, vi } from 'vitest'
import { answered, ApiProblem, csrfToken, fileOf, onSignedOut } from '../../resources/js/api/client'

const response = (status: number) => new Response(null, { status })
const refused = (status: number, error: unknown) => answered(Promise.resolve({ error, response: response(status) }))
const problemOf = async (answer: Promise<unknown>) => {
    const problem = await answer.then(
        () => undefined,
        (thrown: unknown) => thrown,
    )
    if (!(problem instanceof ApiProblem)) throw new Error('No problem was told.')
    return problem
}

afterEach(() => vi.unstubAllGlobals())

describe('an answer of the API', () => {
    test('is its data', async () => {
        expect(await answered(Promise.resolve({ data: { id: '01' }, response: response(200) }))).toEqual({ id: '01' })
        expect(await answered(Promise.resolve({ response: response(204) }))).toBeUndefined()
    })

    test('that is a problem says what, why and which field', async () => {
        const problem = await problemOf(
            refused(422, {
                type: 'about:blank',
                title: 'Not taken',
                status: 422,
                detail: 'A slug cannot be empty.',
                errors: [{ field: 'changes.0.slug', reason: 'A slug cannot be empty.', suggestion: 'page' }],
            }),
        )
        expect([problem.status, problem.message]).toEqual([422, 'A slug cannot be empty.'])
        expect(problem.reasonFor('slug')?.suggestion).toBe('page')
        expect(problem.reasonFor('name')).toBeUndefined()
        expect(problem.reasonFor('lug')).toBeUndefined()
    })

    test.each([[undefined], [''], [null], [{}]])(
        'without a reason (%j) says that there is none, and what to do',
        async error => {
            const problem = await problemOf(refused(502, error))
            expect(problem.message).toContain('Try again')
            expect(problem.status).toBe(502)
            expect(problem.problem.title).not.toBe('')
        },
    )

    test('that never came says that nothing is lost', async () => {
        const problem = await problemOf(answered(Promise.reject(new TypeError('Failed to fetch'))))
        expect([problem.status, problem.problem.title]).toEqual([0, 'No connection'])
        expect(problem.message).toContain('Nothing is lost')
    })
})

describe('a session that has ended', () => {
    test.each([401, 419])('is told with %i to whoever listens, until they no longer do', async status => {
        const heard = vi.fn()
        const stop = onSignedOut(heard)
        await problemOf(refused(status, undefined))
        expect(heard).toHaveBeenCalledTimes(1)
        stop()
        await problemOf(refused(status, undefined))
        expect(heard).toHaveBeenCalledTimes(1)
    })

    test('is no other refusal', async () => {
        const heard = vi.fn()
        const stop = onSignedOut(heard)
        for (const status of [403, 404, 409, 412, 422, 500, 503]) await problemOf(refused(status, undefined))
        expect(heard).not.toHaveBeenCalled()
        stop()
    })
})

describe('a file', () => {
    test('is what the answer holds', async () => {
        const file = await fileOf(Promise.resolve(new Response('from,to\n', { status: 200 })))
        expect(await file.text()).toBe('from,to\n')
    })

    test('is none where the answer is a problem', async () => {
        const answer = new Response(JSON.stringify({ title: 'Changed', detail: 'The page is gone.', status: 409 }), {
            status: 409,
        })
        expect((await problemOf(fileOf(Promise.resolve(answer)))).message).toBe('The page is gone.')
        expect((await problemOf(fileOf(Promise.resolve(new Response('<html>', { status: 502 }))))).status).toBe(502)
        expect((await problemOf(fileOf(Promise.reject(new TypeError('Failed to fetch'))))).status).toBe(0)
    })
})

describe('the token of a form', () => {
    test.each([
        ['XSRF-TOKEN=abc%3D', 'abc='],
        ['theme=dark; XSRF-TOKEN=abc; other=1', 'abc'],
        ['NOT-XSRF-TOKEN=abc', ''],
        ['', ''],
    ])('in the cookies %j is %j', (cookie, token) => {
        vi.stubGlobal('document', { cookie })
        expect(csrfToken()).toBe(token)
    })
})
