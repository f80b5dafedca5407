import { addDays, differenceInCalendarDays, format, isWeekend, parseISO, startOfDay } from 'date-fns'
import { scaleTime } from 'd3-scale'
import styled from 'styled-components'
import { STAGE_WORDS } from '@/wording/walk'
import { dayWords, momentWords } from './planWords'
import type { ServedEnginePlan } from '@/shop/servedPlan'

const ROW_PX = 22
const Frame = styled.div`
  position: relative;
  overflow: hidden;
  border: 1px solid var(--hairline);
  background: var(--raised);
`
const Day = styled.div`
  position: absolute;
  inset: 0 auto 0 0;
  border-left: 1px solid var(--hairline);
  font-size: 12px;
  color: var(--quiet);
  padding: 2px 0 0 4px;
  white-space: nowrap;
  overflow: hidden;
  /* The word of a week goes on over its days. */
  &[data-weekly] {
    overflow: visible;
  }
  &[data-weekend] {
    background: color-mix(in srgb, var(--hairline) 40%, transparent);
  }
`
const Bar = styled.div`
  position: absolute;
  height: 10px;
  min-width: 3px;
  background: var(--dye);
  &[data-critical] {
    background: var(--scribe);
  }
  &[data-part] {
    background: var(--edge);
  }
`
const Label = styled.span`
  position: absolute;
  font-size: 12px;
  line-height: 12px;
  white-space: nowrap;
`
const Event = styled.div`
  position: absolute;
  top: 18px;
  bottom: 0;
  border-left: 2px solid var(--out);
`

/** More days than this are marked by their weeks alone. */
const MOST_DAYS = 16
/** Behind this share of the width a label stands before its bar. */
const LATE_SHARE = 70

/** An engine over days: its stages as bars, those without slack in the scribe's colour, what is promised in grey, its day as a line. */
export function PlanDrawing({ plan, now, isNarrow = false }: { plan: ServedEnginePlan; now: string; isNarrow?: boolean }) {
  const { from, to } = rangeOf(plan, now)
  const scale = scaleTime([from, to], [0, 100])
  const left = (moment: string | Date) => scale(typeof moment === 'string' ? parseISO(moment) : moment)
  const rows = [
    ...plan.awaited.flatMap(({ id, name, promised }) =>
      promised && promised >= now.slice(0, 10)
        ? [{ id, from: now, to: promised, words: `${name} promised`, isPart: true, isCritical: false }]
        : [],
    ),
    ...plan.bars.map((bar) => ({ ...bar, id: bar.stage, words: STAGE_WORDS[bar.stage].title, isPart: false })),
  ]
  return (
    <Frame
      role="img"
      aria-label={`${plan.name} over days: ${plan.bars.map(barWords).join(', ')}`}
      style={{ height: 24 + rows.length * ROW_PX }}
    >
      {daysOf(from, to).map((day) => (
        <Day
          key={day.toISOString()}
          data-weekend={isWeekend(day) || undefined}
          data-weekly={isWeekly(from, to) || undefined}
          style={{ left: `${left(day)}%`, width: `${left(addDays(day, 1)) - left(day)}%` }}
        >
          {isMarked(day, from, to) && format(day, dayPattern(isWeekly(from, to), isNarrow))}
        </Day>
      ))}
      {rows.map((row, index) => {
        const [start, end] = [left(row.from), left(row.to)]
        const top = 24 + index * ROW_PX
        const isLate = start > LATE_SHARE
        return (
          <div key={row.id}>
            <Bar
              data-critical={row.isCritical || undefined}
              data-part={row.isPart || undefined}
              title={`${row.words}: ${momentWords(row.from)} to ${momentWords(row.to)}`}
              style={{ top, left: `${start}%`, width: `${Math.max(0.3, end - start)}%` }}
            />
            <Label style={isLate ? { top: top - 1, right: `calc(${100 - start}% + 6px)` } : { top: top - 1, left: `calc(${end}% + 6px)` }}>
              {row.words}
            </Label>
          </div>
        )
      })}
      {plan.event && <Event title={plan.event.words} style={{ left: `${left(plan.event.date)}%` }} />}
    </Frame>
  )
}

function barWords({ stage, from, to }: ServedEnginePlan['bars'][number]): string {
  return `${STAGE_WORDS[stage].title} ${dayWords(from)} to ${dayWords(to)}`
}

/** From the morning of today to a day behind what comes last. */
function rangeOf({ readyAt, event, awaited }: ServedEnginePlan, now: string): { readonly from: Date; readonly to: Date } {
  const last = [readyAt, ...(event ? [event.date] : []), ...awaited.flatMap(({ promised }) => promised ?? [])].toSorted().at(-1)!
  const from = startOfDay(parseISO(now))
  const to = addDays(startOfDay(parseISO(last)), 2)
  return { from, to: to > from ? to : addDays(from, 2) }
}

function daysOf(from: Date, to: Date): readonly Date[] {
  return Array.from({ length: differenceInCalendarDays(to, from) }, (_, index) => addDays(from, index))
}

function isWeekly(from: Date, to: Date): boolean {
  return differenceInCalendarDays(to, from) > MOST_DAYS
}

function isMarked(day: Date, from: Date, to: Date): boolean {
  return !isWeekly(from, to) || day.getDay() === 1
}

function dayPattern(isByWeek: boolean, isNarrow: boolean): string {
  if (isByWeek) return 'd MMM'
  return isNarrow ? 'd' : 'EEE d'
}
