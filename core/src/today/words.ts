import type { TimeWords } from '../setups/checks/finding-words.ts'
import { listInWords, sayNumber } from '../units/wording.ts'
import type { TodayItem } from './today.ts'

/** The two lines of an item: what it is, and what stands behind it. Shoots are laid out by the page itself. */
export function sayTodayItem(
  item: TodayItem,
  words: TimeWords & { sayWall(wall: string): string; sayMoney(minor: number): string },
): { title: string; text: string } {
  switch (item.code) {
    case 'shoot':
      return { title: item.title, text: [item.place, listInWords(item.people)].filter(Boolean).join(' · ') }
    case 'charge':
      return {
        title: `Charge ${item.packs} ${item.packs === 1 ? 'pack' : 'packs'} of ${item.family}`,
        text: `for ${item.title}, ${words.sayWall(item.startsAt)}`,
      }
    case 'buy':
      return { title: `Buy ${item.quantity} × ${item.item}`, text: item.reason }
    case 'mend':
      return {
        title: `${item.tag} ${item.name} cannot go to ${item.title}`,
        text: `${item.note} · wanted ${words.sayWall(item.startsAt)}`,
      }
    case 'service':
      return {
        title: sayService(item),
        text: item.daysLeft < 0 ? `was due on ${words.sayDay(item.dueOn)}` : `due on ${words.sayDay(item.dueOn)}`,
      }
    case 'fetch':
      return {
        title: `Pack ${item.title}: ${sayNumber(item.pieces, 'thing')}`,
        text: `from ${item.places} ${item.places === 1 ? 'place' : 'places'}, starts ${words.sayWall(item.startsAt)}`,
      }
    case 'out':
      return {
        title: `${item.title}: ${item.pieces} ${item.pieces === 1 ? 'thing' : 'things'} out`,
        text: `${item.people.length ? `with ${listInWords(item.people)}, ` : ''}${item.isLate ? 'was due back' : 'back'} ${words.sayWall(item.endsAt)}`,
      }
    case 'loan':
      return {
        title: `${item.tag} ${item.name}, borrowed from ${item.owner}`,
        text: `${item.daysLeft < 0 ? 'was due back' : 'goes back'} ${words.sayDay(item.dueOn)}${item.bookedFor ? `, yet booked for ${item.bookedFor.title} on ${words.sayWall(item.bookedFor.startsAt)}` : ''}`,
      }
    case 'collision':
      return sayCollision(item, words)
    case 'stock':
      return {
        title: `${item.label}: ${item.wanted} wanted, ${item.have} owned`,
        text: `from ${words.sayInstant(item.at)}`,
      }
    case 'fault':
      return {
        title: `${item.tag} ${item.name}: mend or replace`,
        text: `${item.note} · ${item.days === 0 ? 'reported today' : `for ${item.days} ${item.days === 1 ? 'day' : 'days'}`}`,
      }
    case 'fault-again':
      return {
        title: `${item.tag} ${item.name} fails again and again`,
        text: `${item.note} · ${item.times} times within a year: have it mended for good, or take it out of service`,
      }
    case 'recheck':
      return {
        title: `Look at ${item.tag} ${item.name}: ${item.text}`,
        text: `it is held for the time being, to be looked at by ${words.sayDay(item.recheckOn)}`,
      }
    case 'repair':
      return sayRepair(item, words)
    case 'supply':
      return saySupply(item, words)
    case 'warranty':
      return {
        title: `The warranty of ${item.tag} ${item.name} ends`,
        text: `on ${words.sayDay(item.until)}${item.terms && ` (${item.terms})`} · ${item.isFaulty ? 'it has a fault: claim before' : 'look it over before'}`,
      }
    case 'wish':
      return item.why === 'outcome'
        ? {
            title: `Did ${item.name} cure what it was bought for?`,
            text: `here since ${words.sayDay(item.on)} · say so, and the next wish is judged by it`,
          }
        : {
            title: `${item.name} waited for ${item.waitsFor}`,
            text: `until ${words.sayDay(item.on)} · buy it, wait on, or let it rest`,
          }
    case 'budget':
      return {
        title: `The budget of ${item.year} is passed`,
        text: `${words.sayMoney(item.totalMinor)} of ${words.sayMoney(item.budgetMinor)}`,
      }
    case 'season':
      return item.deed === 'put-away'
        ? {
            title: `Put ${item.tag} ${item.name} away`,
            text: `its season is ${item.season}, and it stands in ${listInWords(item.setups)}`,
          }
        : {
            title: `Time for ${item.tag} ${item.name}`,
            text: `its season is ${item.season}, and it stands in no setup`,
          }
    case 'idle':
      return {
        title: `${item.tag} ${item.name}: keep or sell`,
        text: `in no setup, not booked for ${item.days} days${item.priceMinor ? ` · cost ${words.sayMoney(item.priceMinor)}` : ''}`,
      }
    default:
      return item satisfies never
  }
}

/** So many of what two bookings want are named; the rest is counted. */
const MOST_NAMED = 3

/** One line for two bookings, however much they both want. */
function sayCollision(item: TodayItem & { code: 'collision' }, words: TimeWords): { title: string; text: string } {
  const labels = item.wanted.map((it) => it.label)
  const rest = labels.length - MOST_NAMED
  const named = rest > 1 ? [...labels.slice(0, MOST_NAMED), `${rest} more`] : labels
  const bookings = listInWords(item.bookings.map((it) => it.title))
  const when = `${words.sayInstant(item.from)} to ${words.sayInstant(item.until)}`
  return labels.length === 1
    ? { title: `${labels[0]} is wanted twice`, text: `${bookings}, ${when}` }
    : { title: `${bookings} want the same`, text: `${listInWords(named)}, ${when}` }
}

/** "Clean glass and mount: LEN-01 Tarn 28", "Clean glass and mount: 5 things". */
function sayService({ plan, things, tag, name }: TodayItem & { code: 'service' }): string {
  const what = plan ?? 'Service'
  return things > 1
    ? `${what}: ${sayNumber(things, 'thing')}`
    : plan
      ? `${what}: ${tag} ${name}`
      : `${what} ${tag} ${name}`
}

function sayRepair(
  { tag, name, what, on }: TodayItem & { code: 'repair' },
  words: TimeWords,
): { title: string; text: string } {
  const day = on ? words.sayDay(on) : ''
  switch (what) {
    case 'try':
      return { title: `Try ${tag} ${name}: it is back from its repair`, text: 'it counts again when it was tried' }
    case 'claim':
      return { title: `Claim for ${tag} ${name} by ${day}`, text: 'its papers pay no longer than that' }
    case 'quote':
      return { title: `Yes or no to the repair of ${tag} ${name}`, text: 'a price waits for an answer' }
    case 'late':
      return { title: `${tag} ${name} is late from its repair`, text: `hoped back on ${day}: ask` }
    default:
      return what satisfies never
  }
}

function saySupply(item: TodayItem & { code: 'supply' }, words: TimeWords): { title: string; text: string } {
  const { tag, name, shortOn, missing, orderBy, source, secondSource, expiresOn, isExpired } = item
  if (shortOn === null) {
    const day = expiresOn ? words.sayDay(expiresOn) : ''
    return isExpired
      ? { title: `${tag} ${name} has expired`, text: `on ${day}: use it no more where it matters` }
      : { title: `${tag} ${name} expires before it is wanted`, text: `on ${day}` }
  }
  const where = [source && `from ${source}`, secondSource && `else ${secondSource}`].filter(Boolean).join(', ')
  const by = orderBy ? ` by ${words.sayDay(orderBy)}` : ''
  return {
    title: `Order ${missing} × ${name}${by}`,
    text: [`too little on ${words.sayDay(shortOn)}`, where, orderBy ? '' : 'how long it takes is not recorded']
      .filter(Boolean)
      .join(' · '),
  }
}
