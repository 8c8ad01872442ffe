import type { ServiceLine } from '@exemplar/core'
import { sayNumber } from '@exemplar/core'

type Intervals = Pick<ServiceLine, 'everyDays' | 'everyUses' | 'everyHours' | 'everyCycles' | 'healthBelow'>

/** "every 180 days or 40 uses, whichever comes first". */
export function sayInterval({ everyDays, everyUses, everyHours, everyCycles, healthBelow }: Intervals): string {
  const ways = [
    everyDays === null ? null : sayNumber(everyDays, 'day'),
    everyUses === null ? null : sayNumber(everyUses, 'use'),
    everyHours === null ? null : sayNumber(everyHours, 'hour'),
    everyCycles === null ? null : sayNumber(everyCycles, 'charge'),
  ].filter((it) => it !== null)
  const worn = healthBelow === null ? '' : `when it holds ${healthBelow} % or less`
  const often = ways.length === 0 ? '' : `every ${ways.join(' or ')}`
  const all = [often, worn].filter(Boolean).join(', or ')
  return `${all}${ways.length > 1 || (often && worn) ? ', whichever comes first' : ''}`
}

/** By what it is due, with the figures: "31 of 40 uses". */
export function sayReached(line: ServiceLine): string {
  const { by, uses, hours, cycles, healthPercent, everyUses, everyHours, everyCycles, isForecast } = line
  const how = isForecast ? ', by the diary and the log' : ''
  if (by === 'uses' && everyUses !== null) return `${uses} of ${everyUses} uses${how}`
  if (by === 'hours' && everyHours !== null) return `${Math.round(hours)} of ${everyHours} hours${how}`
  if (by === 'cycles' && everyCycles !== null) return `${cycles} of ${everyCycles} charges`
  if (by === 'condition') return `${healthPercent} % of its energy is left`
  return ''
}

/** How far it has come, where no day can be told: by its use it is not due yet, or nobody recorded when it was done last. */
export function sayNotDue(line: ServiceLine): string {
  const { everyDays, everyUses, everyHours, everyCycles, healthBelow, uses, hours, cycles, healthPercent } = line
  const ways = [
    everyUses === null ? '' : `${uses} of ${everyUses} uses`,
    everyHours === null ? '' : `${Math.round(hours)} of ${everyHours} hours`,
    everyCycles === null ? '' : `${cycles} of ${everyCycles} charges`,
    healthBelow === null
      ? ''
      : healthPercent === null
        ? 'its health was not measured'
        : `${healthPercent} % left, due at ${healthBelow} %`,
  ].filter(Boolean)
  const since = everyDays === null ? '' : 'nobody recorded when it was done last, nor when the thing came'
  return [...ways, since].filter(Boolean).join(' · ')
}

/** "3 days ago", "today", "in 12 days". */
export function sayDaysLeft(daysLeft: number): string {
  if (daysLeft === 0) return 'today'
  return daysLeft < 0 ? `${sayNumber(-daysLeft, 'day')} ago` : `in ${sayNumber(daysLeft, 'day')}`
}
