import createClient from 'openapi-fetch'
import { planOfRequest } from '../app/planned'
import type { components, paths } from './schema'

export type Schemas = components['schemas']
export type Problem = Schemas['Problem']

/** A request that was answered with a problem: what happened, why, and the way out. */
export class ApiProblem extends Error {
    constructor(readonly problem: Problem) {
        super(problem.detail)
    }

    get status() {
        return this.problem.status
    }

    /** Why a field was not taken, if it was that field. */
    reasonFor(field: string) {
        return this.problem.errors?.find(each => each.field === field || each.field.endsWith(`.${field}`))
    }
}

/** Whether what was asked for is not there, or not any more. */
export const isMissing = (error: unknown) => error instanceof ApiProblem && error.status === 404

const signedOut = new Set<() => void>()

/** Calls back when a request finds the session gone; returns how to stop listening. */
export function onSignedOut(listener: () => void) {
    signedOut.add(listener)
    return () => void signedOut.delete(listener)
}

export function csrfToken() {
    const found = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)
    return found?.[1] === undefined ? '' : decodeURIComponent(found[1])
}

export const api = createClient<paths>({ baseUrl: '/api/v1' })
const sent = new Map<string, Request>()
let confirm: (() => Promise<boolean>) | null = null

/** Says who asks for the password again where that is wanted before something weighs; returns how to stop. */
export function onConfirm(ask: () => Promise<boolean>) {
    confirm = ask
    return () => {
        confirm = null
    }
}

api.use({
    onRequest({ request, id }) {
        request.headers.set('X-XSRF-TOKEN', csrfToken())
        request.headers.set('Accept', 'application/json')
        const plan = planOfRequest(new URL(request.url).pathname)
        if (plan !== null) request.headers.set('Heronstem-Plan', plan.id)
        if (request.method !== 'GET') sent.set(id, request.clone())
        return request
    },
    async onResponse({ response, id }) {
        const again = sent.get(id)
        sent.delete(id)
        if (response.status !== 403 || again === undefined || confirm === null) return undefined
        const problem = (await response
            .clone()
            .json()
            .catch(() => null)) as Partial<Problem> | null
        // What was asked for is asked once more, as soon as it is certain who asks.
        return problem?.confirm === true && (await confirm()) ? fetch(again) : undefined
    },
    onError({ id }) {
        sent.delete(id)
    },
})

type Answer<T> = { data?: T; error?: unknown; response: Response }

/** The data of an answer; throws ApiProblem for anything but success. */
export async function answered<T>(answer: Promise<Answer<T>>): Promise<T> {
    const { data, error, response } = await reached(answer)
    if (!response.ok) {
        const problem = problemOf(error, response.status)
        if (response.status === 401 || response.status === 419) signedOut.forEach(listener => listener())
        throw new ApiProblem(problem)
    }
    return data as T
}

/** The file that an answer holds; throws ApiProblem where it holds a problem instead. */
export async function fileOf(answer: Promise<Response>): Promise<Blob> {
    const read = answer.then(async response => {
        const isFile = response.ok
        return {
            data: isFile ? await response.blob() : undefined,
            error: isFile ? undefined : await response.json().catch(() => undefined),
            response,
        }
    })
    return answered(read as Promise<Answer<Blob>>)
}

async function reached<T>(answer: Promise<Answer<T>>) {
    try {
        return await answer
    } catch {
        throw new ApiProblem({
            type: 'about:blank',
            title: 'No connection',
            status: 0,
            detail: 'The server cannot be reached. Nothing is lost here; it is tried again when you go on.',
        })
    }
}

function problemOf(error: unknown, status: number): Problem {
    const given = error as Partial<Problem> | undefined
    return {
        type: 'about:blank',
        title: given?.title ?? 'Something went wrong',
        status,
        detail: given?.detail ?? 'The server did not say why. Try again in a moment.',
        ...given,
    } as Problem
}
