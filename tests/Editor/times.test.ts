import { afterEach, describe, expect, test } from 'vitest'
import { ago, clock, date, fieldMoment, moment, shortDate, timesAreOf, writtenIn } from '../../resources/js/ui/time'

afterEach(() => timesAreOf({ language: 'en-GB', zone: 'UTC' }))

describe('when something happened', () => {
    const now = new Date('2026-11-30T12:00:00Z')

    test.each([
        ['2026-11-30T23:59:00Z', 'today'],
        ['2026-12-02T00:00:00Z', 'today'],
        ['2026-11-30T00:00:00Z', 'today'],
        ['2026-11-29T23:59:59Z', 'yesterday'],
        ['2026-11-24T12:00:00Z', 'Tue'],
        ['2026-11-23T12:00:00Z', '23 Nov'],
        ['2026-01-01T00:00:00Z', '1 Jan'],
        ['2025-12-31T23:59:59Z', 'Dec 2025'],
    ])('%s is said as people say it: %s', (iso, said) => {
        timesAreOf({ language: 'en-GB', zone: 'UTC' })
        expect(ago(iso, now)).toBe(said)
    })

    test('goes by the clock of the site, and not by the browser’s', () => {
        timesAreOf({ language: 'en-GB', zone: 'Pacific/Auckland' })
        // There it is the first of December already.
        expect(ago('2026-11-30T10:30:00Z', now)).toBe('yesterday')
        expect(ago('2026-11-30T11:30:00Z', now)).toBe('today')
        expect(clock('2026-11-30T12:00:00Z')).toBe('01:00')
    })

    test('is right across the night in which clocks change', () => {
        timesAreOf({ language: 'en-GB', zone: 'Europe/London' })
        // 25 October 2026 has 25 hours there.
        expect(ago('2026-10-24T23:30:00Z', new Date('2026-10-25T23:30:00Z'))).toBe('today')
        expect(ago('2026-10-24T22:30:00Z', new Date('2026-10-25T23:30:00Z'))).toBe('yesterday')
    })
})

describe('a date', () => {
    test('is written in the language of the site', () => {
        timesAreOf({ language: 'de', zone: 'Europe/Berlin' })
        expect(writtenIn()).toBe('de')
        expect(date('2027-05-03T04:00:00Z')).toBe('3. Mai 2027')
        timesAreOf({ language: 'en-GB', zone: 'Europe/London' })
        expect(date('2027-05-03T04:00:00Z')).toBe('3 May 2027')
        expect(moment('2027-05-03T05:00:00Z')).toBe('3 May 2027, 06:00')
        expect(moment('2027-05-03T05:00:00Z', 'America/New_York')).toBe('3 May 2027, 01:00')
    })

    test.each(['', 'no language at all', 'x'])(
        'of a site with a language nobody knows (“%s”) is written in English',
        language => {
            timesAreOf({ language, zone: 'UTC' })
            expect(date('2027-05-03T04:00:00Z')).toBe('3 May 2027')
        },
    )

    test('has its year where that is another one', () => {
        timesAreOf({ language: 'en-GB', zone: 'UTC' })
        const now = new Date('2026-11-30T12:00:00Z')
        expect(shortDate('2026-05-03T04:00:00Z', now)).toBe('3 May')
        expect(shortDate('2027-05-03T04:00:00Z', now)).toBe('3 May 2027')
        // New year's eve here is new year there.
        timesAreOf({ language: 'en-GB', zone: 'Pacific/Auckland' })
        expect(shortDate('2026-12-31T12:00:00Z', now)).toBe('1 Jan 2027')
    })
})

describe('a field for a moment', () => {
    test('holds what is stored on the clock of the site', () => {
        expect(fieldMoment('2027-05-03T05:00:00Z', 'Europe/London')).toBe('2027-05-03T06:00')
        expect(fieldMoment('2027-01-03T23:30:00Z', 'Europe/Helsinki')).toBe('2027-01-04T01:30')
    })

    test('leaves what was just typed, and holds nothing where nothing is set', () => {
        expect(fieldMoment('2027-05-03T06:00', 'Europe/London')).toBe('2027-05-03T06:00')
        for (const none of [null, undefined, '']) expect(fieldMoment(none, 'UTC')).toBe('')
    })
})
