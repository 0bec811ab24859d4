import type { Schemas } from '../../api/client'
import type { Change } from '../../app/changes'
import { documentOf } from '../../app/document'
import { leadsTo, type Leads } from '../../app/leadsTo'
import type { Redirect } from './labels'

/** A redirect while it is being written: as its fields hold it. */
export type Draft = Omit<Redirect, 'leadsTo'> & { way: Leads; value: string; valueName: string }

export function draftOf(redirect: Redirect, targetName: string | null): Draft {
    const { leadsTo, ...rest } = redirect
    const [way, value] = Object.entries(leadsTo ?? { page: '' })[0] ?? ['page', '']
    return { ...rest, way: way as Leads, value, valueName: targetName ?? '' }
}

export function blank(id: string, source = ''): Draft {
    return {
        id,
        scope: 'one',
        source,
        answer: '301',
        query: 'carry',
        carriesRest: true,
        from: null,
        until: null,
        isOn: true,
        inFront: false,
        position: 0,
        note: '',
        pause: null,
        origin: 'hand',
        way: 'page',
        value: '',
        valueName: '',
    }
}

/** A pause that says nothing yet. */
export const blankPause: NonNullable<Redirect['pause']> = { seconds: 5, message: documentOf({ content: [] }) }

/** Whether it says enough to be looked at, and made. */
export const isFull = ({ source, answer, value }: Draft) =>
    source.trim() !== '' && (answer === '410' || value.trim() !== '')

/** The fields of a change that makes or changes a redirect. */
export function fieldsOf({
    scope,
    source,
    answer,
    query,
    carriesRest,
    from,
    until,
    isOn,
    inFront,
    note,
    pause,
    way,
    value,
}: Draft): Omit<Schemas['ChangeRedirectChange'], 'kind' | 'redirect'> & { source: string } {
    return {
        scope,
        source,
        answer,
        query,
        carriesRest,
        from,
        until,
        isOn,
        inFront,
        note,
        leadsTo: answer === '410' ? null : leadsTo(way, value),
        pause: answer === 'pause' ? (pause ?? blankPause) : null,
    }
}

/** The change that makes a redirect, or gives one other fields. */
export const changeOf = (kind: 'make-redirect' | 'change-redirect', draft: Draft): Change =>
    kind === 'make-redirect'
        ? { kind, redirect: draft.id, ...fieldsOf(draft) }
        : { kind, redirect: draft.id, ...fieldsOf(draft) }
