import { ChevronLeft, ChevronRight } from 'lucide-react'
import { DayPicker } from 'react-day-picker'

type Props = { day: string; language: string; onDay: (day: string) => void }

/** A month to choose a day from, as the site's language has it. */
export function Calendar({ day, language, onDay }: Props) {
    const [year, month, date] = day.split('-').map(Number)
    const chosen = year && month && date ? new Date(year, month - 1, date) : undefined
    const named = (then: Date, how: Intl.DateTimeFormatOptions) => then.toLocaleDateString(language, how)
    const cell = 'size-8 text-center'
    return (
        <DayPicker
            mode="single"
            autoFocus
            selected={chosen}
            defaultMonth={chosen}
            weekStartsOn={firstDay(language)}
            onSelect={then => then !== undefined && onDay(then.toLocaleDateString('sv-SE'))}
            formatters={{
                formatCaption: then => named(then, { month: 'long', year: 'numeric' }),
                formatWeekdayName: then => named(then, { weekday: 'narrow' }),
                formatDay: then => String(then.getDate()),
            }}
            labels={{
                labelPrevious: () => 'Month before',
                labelNext: () => 'Month after',
                labelDayButton: then =>
                    named(then, { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' }),
                labelWeekday: then => named(then, { weekday: 'long' }),
            }}
            components={{
                Chevron: ({ orientation }) =>
                    orientation === 'left' ? <ChevronLeft size={16} /> : <ChevronRight size={16} />,
            }}
            classNames={{
                root: 'relative',
                months: 'relative',
                month_caption: 'flex h-8 items-center px-2 font-semibold',
                nav: 'absolute top-0 right-0 z-10 flex',
                button_previous: 'grid size-8 place-items-center rounded text-ink-2 hover:bg-sunk',
                button_next: 'grid size-8 place-items-center rounded text-ink-2 hover:bg-sunk',
                weekday: `${cell} text-[12px] font-normal text-ink-3`,
                day: cell,
                day_button: 'size-8 rounded hover:bg-heron-soft',
                today: 'font-bold text-heron',
                selected: '[&>button]:bg-heron [&>button]:text-on-heron',
                outside: 'text-ink-3',
            }}
            showOutsideDays
        />
    )
}

type WithWeek = { getWeekInfo?: () => { firstDay: number }; weekInfo?: { firstDay: number } }

/** The day that weeks begin with there; Monday where that is not known. */
function firstDay(language: string) {
    const locale = new Intl.Locale(language) as Intl.Locale & WithWeek
    return ((locale.getWeekInfo?.() ?? locale.weekInfo)?.firstDay ?? 1) === 7 ? 0 : 1
}
