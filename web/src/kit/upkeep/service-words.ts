import type { ServiceLine } from '@exemplar/core'
import { sayNumber } from '@exemplar/core'

type Intervals = Pick<ServiceLine, 'everyDays' | 'everyUses' | 'everyHours'>

/** "every 180 days or 40 uses, whichever comes first". */
export function sayInterval({ everyDays, everyUses, everyHours }: Intervals): string {
  const ways = [
    everyDays === null ? null : sayNumber(everyDays, 'day'),
    everyUses === null ? null : sayNumber(everyUses, 'use'),
    everyHours === null ? null : sayNumber(everyHours, 'hour'),
  ].filter((it) => it !== null)
  return `every ${ways.join(' or ')}${ways.length > 1 ? ', whichever comes first' : ''}`
}

/** By what it is due, with the figures: "31 of 40 uses". */
export function sayReached({ by, uses, hours, everyUses, everyHours, isForecast }: ServiceLine): string {
  const how = isForecast ? ', by the diary and the log' : ''
  if (by === 'uses' && everyUses !== null) return `${uses} of ${everyUses} uses${how}`
  if (by === 'hours' && everyHours !== null) return `${Math.round(hours)} of ${everyHours} hours${how}`
  return ''
}

/** "3 days ago", "today", "in 12 days". */
export function sayDaysLeft(daysLeft: number): string {
  if (daysLeft === 0) return 'today'
  return daysLeft < 0 ? `${sayNumber(-daysLeft, 'day')} ago` : `in ${sayNumber(daysLeft, 'day')}`
}
