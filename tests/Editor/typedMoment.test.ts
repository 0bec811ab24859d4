import { describe, expect, it } from 'vitest'
import { read, written } from '../../resources/js/ui/typedMoment'

const today = '2026-11-30'
const typed = (text: string, language = 'en-GB') => read(text, 'minute', language, today)

describe('A moment that somebody types', () => {
    it.each([
        ['2027-05-03 06:00', '2027-05-03T06:00'],
        ['2027-05-03T06:00', '2027-05-03T06:00'],
        ['3 May 2027, 06:00', '2027-05-03T06:00'],
        ['3 may 2027', '2027-05-03T00:00'],
        ['Monday, 3rd May 2027 6:30 pm', '2027-05-03T18:30'],
        ['May 3, 2027 12:05 am', '2027-05-03T00:05'],
        ['3/5/2027 18.45', '2027-05-03T18:45'],
        ['3.5.27', '2027-05-03T00:00'],
        ['1 Sept 2027', '2027-09-01T00:00'],
        ['tomorrow 9:00', '2026-12-01T09:00'],
        ['today', '2026-11-30T00:00'],
        ['24 December', '2026-12-24T00:00'],
        ['24 February', '2027-02-24T00:00'],
    ])('is understood: %s', (text, meant) => expect(typed(text)).toBe(meant))

    it.each(['', 'soon', '31 February 2027', '3/13/2027', '3 May 2027, 25:00', '99', 'May'])('is no date: %s', text =>
        expect(typed(text)).toBeNull(),
    )

    it('begins with the month where that is the custom, and knows the months by their names there', () => {
        expect(typed('3/5/2027', 'en-US')).toBe('2027-03-05T00:00')
        expect(typed('3. Mai 2027, 06:00', 'de-DE')).toBe('2027-05-03T06:00')
        expect(typed('3 de mayo de 2027', 'es-ES')).toBe('2027-05-03T00:00')
    })

    it.each(['en-GB', 'en-US', 'de-DE', 'fr-FR', 'nb-NO', 'es-ES', 'pl-PL', 'cs-CZ', 'fi-FI'])(
        'is read again as it is written, in %s',
        language => {
            for (let month = 1; month <= 12; month++) {
                const moment = `2027-${String(month).padStart(2, '0')}-0${(month % 9) + 1}T07:05`
                expect(read(written(moment, 'minute', language), 'minute', language, today)).toBe(moment)
                expect(read(written(moment.slice(0, 10), 'day', language), 'day', language, today)).toBe(
                    moment.slice(0, 10),
                )
            }
        },
    )
})
