import { trim } from '../../units/quantity.ts'
import { roundHalfAwayFromZero } from '../../units/rounding.ts'
import { sayNumber } from '../../units/wording.ts'
import { type Calculator, money, orNothing, share, whole } from './calculator.ts'
import { compareNewAndUsed } from './new-or-used.ts'

/** Cheap and soon dead against dear and lasting. */
export const cheapOrGood: Calculator<'cheap' | 'cheapMonths' | 'good' | 'goodMonths' | 'goodResale'> = {
  title: 'Cheap again, or good once?',
  ways: ['The cheap one', 'The good one'],
  fields: {
    cheap: money('Price of the cheap one'),
    cheapMonths: whole('It lasts, months', null, 600, 'what the last ones lasted is on the Bench'),
    good: money('Price of the good one'),
    goodMonths: whole('It lasts, months', null, 600),
    goodResale: orNothing('The good one fetches in the end'),
  },
  work({ cheap, cheapMonths, good, goodMonths, goodResale }, say) {
    if (cheapMonths < 1 || goodMonths < 1) return null
    const perCheap = cheap / cheapMonths
    const perGood = (good - goodResale) / goodMonths
    const breakEven = perCheap > 0 ? Math.ceil((good - goodResale) / perCheap) : null
    const by = Math.round(perGood) === Math.round(perCheap) ? 'same' : perGood < perCheap ? 'good' : 'cheap'
    const [a, b] = [say(roundHalfAwayFromZero(perCheap)), say(roundHalfAwayFromZero(perGood))]
    return {
      says: `${{ good: `Good once costs less: ${b} a month against ${a}.`, cheap: `Cheap again costs less: ${a} a month against ${b}.`, same: `Both cost ${a} a month.` }[by]}${breakEven === null || breakEven < 1 ? '' : ` The good one is even once it lasts ${sayNumber(breakEven, 'month')}.`}`,
      lines: [
        { label: 'cheap', sum: `${say(cheap)} / ${cheapMonths} = ${a} a month` },
        { label: 'good', sum: `(${say(good)} − ${say(goodResale)}) / ${goodMonths} = ${b} a month` },
      ],
      assumptions: [
        'The cheap one is bought again each time it is worn, at the same price.',
        'What a failing thing costs in takes and days is not in it.',
      ],
      source: 'Cost per month of service; common practice',
    }
  },
}

/** Buy, or rent each time. */
export const rentOrBuy: Calculator<'price' | 'resale' | 'upkeep' | 'years' | 'rent' | 'uses'> = {
  title: 'Buy it, or rent it each time?',
  ways: ['Buy', 'Rent'],
  fields: {
    price: money('Price'),
    resale: orNothing('It fetches in the end'),
    upkeep: orNothing('Upkeep a year'),
    years: whole('Kept, years', 4, 30),
    rent: money('Rent for one use'),
    uses: whole('Uses a year', null, 366, 'how often it is booked is on its page'),
  },
  work({ price, resale, upkeep, years, rent, uses }, say) {
    if (years < 1) return null
    const own = price - resale + upkeep * years
    const rented = rent * uses * years
    const even = rent > 0 ? Math.max(0, Math.ceil(own / (rent * years))) : null
    const says =
      own === rented
        ? `Both cost ${say(own)} over ${sayNumber(years, 'year')}.`
        : own < rented
          ? `Buying costs less: ${say(own)} over ${sayNumber(years, 'year')} against ${say(rented)}.`
          : `Renting costs less: ${say(rented)} over ${sayNumber(years, 'year')} against ${say(own)}.`
    return {
      says: `${says}${even === null ? '' : ` Buying pays from ${sayNumber(even, 'use')} a year on.`}`,
      lines: [
        { label: 'buy', sum: `${say(price)} − ${say(resale)} + ${years} × ${say(upkeep)} = ${say(own)}` },
        { label: 'rent', sum: `${years} × ${uses} × ${say(rent)} = ${say(rented)}` },
      ],
      assumptions: ['Without interest. Fetching, carriage and what a rented thing may lack on the day are not in it.'],
      source: 'Break-even use; common practice',
    }
  },
}

/** Once for good, or every month. */
export const licenceOrSubscription: Calculator<'licence' | 'upgrade' | 'upgradeMonths' | 'monthly' | 'months'> = {
  title: 'Subscription, or a licence for good?',
  ways: ['Licence', 'Subscription'],
  fields: {
    licence: money('Licence'),
    upgrade: orNothing('An upgrade costs', '0 where none is bought'),
    upgradeMonths: whole('Every so many months', 24, 240),
    monthly: money('Subscription a month'),
    months: whole('Wanted for, months', null, 600),
  },
  work({ licence, upgrade, upgradeMonths, monthly, months }, say) {
    if (months < 1 || upgradeMonths < 1) return null
    // The one that is bought on the last day of the time is not wanted any more.
    const upgrades = (at: number) => Math.floor((at - 1) / upgradeMonths)
    const owning = (at: number) => licence + upgrades(at) * upgrade
    const [own, rented] = [owning(months), monthly * months]
    // From when on it stays so: an upgrade may put it behind once more.
    let even: number | null = null
    for (let at = 600; at >= 1 && owning(at) <= monthly * at; at--) even = at
    return {
      says: `${own === rented ? `Both cost ${say(own)} over ${sayNumber(months, 'month')}.` : own < rented ? `The licence costs less: ${say(own)} over ${sayNumber(months, 'month')} against ${say(rented)}.` : `The subscription costs less: ${say(rented)} over ${sayNumber(months, 'month')} against ${say(own)}.`} ${even === null ? 'The licence is not even within 50 years.' : `From ${sayNumber(even, 'month')} on the licence costs no more.`}`,
      lines: [
        { label: 'licence', sum: `${say(licence)} + ${upgrades(months)} × ${say(upgrade)} = ${say(own)}` },
        { label: 'subscription', sum: `${months} × ${say(monthly)} = ${say(rented)}` },
      ],
      assumptions: ['Prices stay as they are. Whether a project still opens without the subscription is not in it.'],
      source: 'Break-even; common practice',
    }
  },
}

/** How much of a lamp’s price its accessories are. */
export const accessoryShare: Calculator<'price' | 'accessories'> = {
  title: 'What its accessories add',
  ways: ['Take both', 'Leave it'],
  fields: {
    price: money('Price of the thing', 'such as a lamp'),
    accessories: money('Everything that goes on it', 'modifiers, grids, mounts'),
  },
  work({ price, accessories }, say) {
    const all = price + accessories
    if (price <= 0) return null
    const per = (accessories * 100) / price
    return {
      says: `${say(all)} in all: for every 100 of the thing another ${trim(per, 1)} for what goes on it, ${trim((accessories * 100) / all, 1)} % of the whole.`,
      lines: [{ label: 'share', sum: `${say(accessories)} / ${say(all)} = ${trim((accessories * 100) / all, 1)} %` }],
      assumptions: [],
      source: 'arithmetic',
    }
  },
}

/** In which price which offer stands. */
export const rivalPrice: Calculator<'one' | 'other' | 'oneOutput' | 'otherOutput'> = {
  title: 'Against a rival’s price',
  ways: ['This one', 'The rival'],
  fields: {
    one: money('Price of this one'),
    other: money('Price of the rival'),
    oneOutput: whole(
      'What this one gives',
      0,
      10_000_000,
      'lux at 1 m, hours, inputs: the same measure for both; 0 where it does not matter',
    ),
    otherOutput: whole('What the rival gives', 0, 10_000_000),
  },
  work({ one, other, oneOutput, otherOutput }, say) {
    if (one <= 0 || other <= 0) return null
    const more = other - one
    const percent = trim((Math.abs(more) * 100) / one, 1)
    const price =
      more === 0
        ? `Both cost ${say(one)}.`
        : `The rival costs ${say(Math.abs(more))} ${more > 0 ? 'more' : 'less'}, ${percent} %.`
    if (oneOutput < 1 || otherOutput < 1)
      return {
        says: price,
        lines: [{ label: 'price', sum: `${say(other)} − ${say(one)} = ${say(more)}` }],
        assumptions: [],
        source: 'arithmetic',
      }
    const stops = Math.log2(otherOutput / oneOutput)
    const each = [one / oneOutput, other / otherOutput]
    const gives =
      Math.abs(stops) < 0.05
        ? 'and gives as much'
        : `and gives ${trim(Math.abs(stops), 1)} ${trim(Math.abs(stops), 1) === '1' ? 'stop' : 'stops'} ${stops > 0 ? 'more' : 'less'}`
    const better =
      Math.abs((each[0] ?? 0) - (each[1] ?? 0)) < 1e-9
        ? 'Both give the same for the money.'
        : `For the money ${(each[0] ?? 0) < (each[1] ?? 0) ? 'this one' : 'the rival'} gives more.`
    return {
      says: `${price.slice(0, -1)} ${gives}. ${better}`,
      lines: [
        { label: 'price', sum: `${say(other)} − ${say(one)} = ${say(more)}` },
        { label: 'stops', sum: `log2(${otherOutput} / ${oneOutput}) = ${trim(stops, 2)}` },
      ],
      assumptions: ['A stop is twice as much; of hours or inputs it says the same of twice as many.'],
      source: 'arithmetic; a stop is a doubling, ISO 2720',
    }
  },
}

/** How many sessions earn it back. */
export const payBack: Calculator<'cost' | 'earning' | 'spending' | 'sessions'> = {
  title: 'When has it paid for itself?',
  ways: ['Buy it', 'Leave it'],
  fields: {
    cost: money('What it costs'),
    earning: money('Earned or saved each session'),
    spending: orNothing('Spent on it each session'),
    sessions: whole('Sessions a month', null, 100),
  },
  work({ cost, earning, spending, sessions }, say) {
    const each = earning - spending
    const line = { label: 'a session', sum: `${say(earning)} − ${say(spending)} = ${say(each)}` }
    const rest = { assumptions: ['Without interest, and before tax.'], source: 'Pay-back; common practice' }
    if (each <= 0) return { says: 'Never: a session brings no more than it takes.', lines: [line], ...rest }
    const count = Math.ceil(cost / each)
    return {
      says: `After ${sayNumber(count, 'session')}${sessions > 0 ? `, in about ${sayNumber(Math.ceil(count / sessions), 'month')}` : ''}.`,
      lines: [line, { label: 'sessions', sum: `${say(cost)} / ${say(each)} = ${count}` }],
      ...rest,
    }
  },
}

/** Whether cover is worth its premium. */
export const coverOrRisk: Calculator<'value' | 'excess' | 'premium' | 'risk'> = {
  title: 'Cover, or bear the risk?',
  ways: ['Take cover', 'Bear it'],
  fields: {
    value: money('What another costs today'),
    excess: orNothing('Paid by you each time'),
    premium: money('Premium a year'),
    risk: share('Lost or broken in a year, %', null, 'how often such things went here is on the Bench'),
  },
  work({ value, excess, premium, risk }, say) {
    const paid = Math.max(0, value - excess)
    const expected = roundHalfAwayFromZero((paid * risk) / 100)
    const even = paid > 0 ? (premium * 100) / paid : null
    return {
      says: `${premium === expected ? `The premium is what cover pays on average, ${say(expected)} a year.` : premium > expected ? `Cover costs more than it pays on average: ${say(premium)} a year against ${say(expected)}.` : `Cover costs less than it pays on average: ${say(premium)} a year against ${say(expected)}.`}${even === null ? ' It would pay nothing.' : ` Even at ${trim(even, 1)} % a year.`}${paid > 0 && premium > expected ? ` Worth it where ${say(paid)} at once could not be borne.` : ''}`,
      lines: [
        { label: 'paid', sum: `${say(value)} − ${say(excess)} = ${say(paid)}` },
        { label: 'on average', sum: `${trim(risk, 2)} % × ${say(paid)} = ${say(expected)} a year` },
      ],
      assumptions: ['That cover pays what the policy says: read what it leaves out.'],
      source: 'Expected loss; common practice',
    }
  },
}

/** New with cover or used, both by what a month of service truly costs, the risk of failing among it. */
export const newOrUsed: Calculator<
  'fresh' | 'cover' | 'freshMonths' | 'freshResale' | 'used' | 'usedMonths' | 'usedResale' | 'risk'
> = {
  title: 'New or used?',
  ways: ['New, with cover', 'Used'],
  fields: {
    fresh: money('Price of the new one'),
    cover: orNothing('Cover for all its time'),
    freshMonths: whole('The new one serves, months', null, 600),
    freshResale: orNothing('The new one fetches in the end'),
    used: money('Price of the used one'),
    usedMonths: whole('The used one serves, months', null, 600),
    usedResale: orNothing('The used one fetches in the end'),
    risk: share('The used one fails in that time, %', null, 'beyond mending; another new one is bought then'),
  },
  work({ fresh, cover, freshMonths, freshResale, used, usedMonths, usedResale, risk }, say) {
    if (freshMonths < 1 || usedMonths < 1) return null
    const result = compareNewAndUsed(
      { priceMinor: fresh, coverMinor: cover, months: freshMonths, resaleMinor: freshResale, failPercent: 0 },
      { priceMinor: used, coverMinor: 0, months: usedMonths, resaleMinor: usedResale, failPercent: risk },
    )
    const [a, b] = [say(result.fresh.perMonthMinor), say(result.used.perMonthMinor)]
    return {
      says: {
        new: `New costs less: ${a} a month against ${b}.`,
        used: `Used costs less: ${b} a month against ${a}.`,
        same: `Both cost ${a} a month.`,
      }[result.cheaper],
      lines: [
        { label: 'new', sum: `(${say(fresh)} + ${say(cover)} − ${say(freshResale)}) / ${freshMonths} = ${a}` },
        {
          label: 'used',
          sum: `(${say(used)} + ${trim(risk, 2)} % × ${say(fresh)} − ${say(usedResale)}) / ${usedMonths} = ${b}`,
        },
      ],
      assumptions: ['What fails beyond mending is replaced by a new one, at the price of new.'],
      source: 'Cost per month of service; common practice',
    }
  },
}
