import { computeKeepingCost, computeOwningCost } from '../../formulas/money/annual-cost.ts'
import { trim } from '../../units/quantity.ts'
import { roundHalfAwayFromZero } from '../../units/rounding.ts'
import { sayNumber } from '../../units/wording.ts'
import { type Calculator, money, orNothing, share, whole } from './calculator.ts'

/** Keep what is there one more year, or sell it and buy another. */
export const keepOrSell: Calculator<
  'resaleNow' | 'resaleLater' | 'upkeep' | 'price' | 'years' | 'newResale' | 'newUpkeep' | 'interest'
> = {
  title: 'Keep it a year more, or sell it now?',
  ways: ['Keep it', 'Sell it'],
  fields: {
    resaleNow: money('It fetches now'),
    resaleLater: money('It fetches in a year'),
    upkeep: orNothing('Upkeep and repairs next year'),
    price: money('Another costs'),
    years: whole('Another is kept, years', 5, 30),
    newResale: orNothing('Another fetches in the end'),
    newUpkeep: orNothing('Upkeep of another a year'),
    interest: share('Interest a year, %', 0, '0 leaves it out'),
  },
  work({ resaleNow, resaleLater, upkeep, price, years, newResale, newUpkeep, interest }, say) {
    if (years < 1) return null
    const rate = interest / 100
    const keep = roundHalfAwayFromZero(
      computeKeepingCost({ nowMinor: resaleNow, laterMinor: resaleLater, upkeepMinor: upkeep }, rate),
    )
    const fresh = roundHalfAwayFromZero(
      computeOwningCost({ priceMinor: price, upkeepMinor: newUpkeep, resaleMinor: newResale }, rate, years),
    )
    return {
      says:
        keep === fresh
          ? `Both cost ${say(keep)} next year.`
          : keep < fresh
            ? `Keep it: next year costs ${say(keep)}, a year of another ${say(fresh)}.`
            : `Sell it: next year costs ${say(keep)}, a year of another ${say(fresh)}.`,
      lines: [
        {
          label: 'keep',
          sum: `${say(resaleNow)}${rate > 0 ? ` × ${trim(1 + rate, 4)}` : ''} − ${say(resaleLater)} + ${say(upkeep)} = ${say(keep)}`,
        },
        {
          label: 'another',
          sum:
            rate > 0
              ? `${sayNumber(years, 'even year')} of ${say(price)}, ${say(newUpkeep)} upkeep, ${say(newResale)} in the end, at ${trim(interest, 2)} % = ${say(fresh)}`
              : `(${say(price)} + ${years} × ${say(newUpkeep)} − ${say(newResale)}) / ${years} = ${say(fresh)}`,
        },
      ],
      assumptions: ['What another does better is not in it, nor the hours of getting used to it.'],
      source: 'Equivalent annual cost against the cost of one more year; any handbook of engineering economy',
    }
  },
}

/** Whether a gift is one. */
export const acceptGift: Calculator<'value' | 'wouldPay' | 'tax' | 'hours' | 'hour'> = {
  title: 'Accept the gift?',
  ways: ['Accept', 'Refuse'],
  fields: {
    value: money('What it is worth on paper', 'the price that anybody pays'),
    wouldPay: money('What you would have paid for it', '0 where you would not have bought it'),
    tax: share('Tax on its value, %', null, 'ask whoever does your taxes; 0 where none is due'),
    hours: whole('Hours of work promised for it', null, 1_000),
    hour: money('What an hour of yours costs'),
  },
  work({ value, wouldPay, tax, hours, hour }, say) {
    const due = roundHalfAwayFromZero((value * tax) / 100)
    const work = hours * hour
    const worth = Math.min(value, wouldPay)
    const left = worth - due - work
    return {
      says: `${left > 0 ? `It leaves ${say(left)}.` : left === 0 ? 'It leaves nothing.' : `It costs ${say(-left)}.`} ${wouldPay === 0 ? 'You would not have bought it.' : wouldPay < value ? `To you it is worth ${say(worth)}, not ${say(value)}.` : ''}`.trim(),
      lines: [
        { label: 'tax', sum: `${trim(tax, 2)} % × ${say(value)} = ${say(due)}` },
        { label: 'work', sum: `${hours} × ${say(hour)} = ${say(work)}` },
        { label: 'left', sum: `${say(worth)} − ${say(due)} − ${say(work)} = ${say(left)}` },
      ],
      assumptions: [
        'Whether and how a gift for work is taxed differs by country: this is a planning aid, no tax advice.',
        'What it does to how freely you speak of it is not in it. A gift that is shown is to be disclosed; the sentence for that is on the page of the thing.',
      ],
      source: 'arithmetic',
    }
  },
}
