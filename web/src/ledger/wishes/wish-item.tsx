import {
  DEFECTS,
  type FindingLevel,
  formatMoney,
  PRICE_KINDS,
  sayFinding,
  sayNumber,
  WHY_THIS,
  type WishesReply,
  type WishRow,
} from '@exemplar/core'
import { Link } from 'react-router'
import { Mark } from '../../foundation/parts/mark.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'

type Effect = WishRow['effects'][number]

/** What a wish would do in one setup, in words and how bad that is. A question that is open is no leave to run. */
function sayEffect(effect: Effect, defect: WishRow['defect']): { level: FindingLevel; text: string } {
  const { stopsBefore, stopsAfter, questionsAfter } = effect
  const stops = sayNumber(stopsAfter, 'stop')
  if (stopsAfter > stopsBefore) return { level: 'stop', text: `stopped with this: ${stops}, ${stopsBefore} without` }
  if (stopsAfter > 0 && stopsAfter < stopsBefore) return { level: 'warn', text: `${stops} instead of ${stopsBefore}` }
  if (stopsAfter > 0) return { level: 'warn', text: `${stops} as before: it makes nothing better while it cannot run` }
  const does =
    stopsBefore > 0
      ? 'nothing stops it with this'
      : defect === 'missing'
        ? 'nothing stops it without this'
        : 'nothing stops it, and it would be better'
  if (questionsAfter > 0)
    return { level: 'unknown-stop', text: `${does}, but ${sayNumber(questionsAfter, 'question')} could` }
  return { level: 'ok', text: does }
}

/** One wish: what it is for, what it costs, what it would do and what else it asks for. */
export function WishItem({
  row,
  setups,
  names,
  currency,
}: {
  row: WishRow
  setups: WishesReply['setups']
  /** Of all wishes, by id. */
  names: ReadonlyMap<string, string>
  currency: string
}) {
  const words = useTimeWords()
  const say = (minor: number) => formatMoney(minor, currency)
  const { cost, score } = row
  const called = (ids: readonly string[]) => ids.map((id) => names.get(id) ?? 'a wish that is gone').join(', ')
  return (
    <>
      <p className="font-semibold">
        {row.quantity > 1 && `${row.quantity} × `}
        {row.name}
        {row.tags.length > 0 && <span className="ml-2 font-mono text-[12.5px] font-normal">{row.tags.join(' ')}</span>}
      </p>
      <p className="text-[13px] text-quiet">
        {DEFECTS[row.defect]}
        {row.reason && `: ${row.reason}`}
      </p>
      <p className="text-[13px]">
        {cost ? (
          <>
            <b>{say(cost.totalMinor)}</b> {PRICE_KINDS[cost.kind].toLowerCase()}, {sayDayWithYear(cost.on)}
            {row.prices.length > 1 &&
              ` (${row.prices.map((it) => `${PRICE_KINDS[it.kind].toLowerCase()} ${say((it.netMinor + it.taxMinor) * row.quantity)}`).join(', ')})`}
            {cost.offMinor > 0 && `, ${say(cost.offMinor)} off${row.discount?.code ? ` by ${row.discount.code}` : ''}`}
            {row.paidMinor !== null && `; paid ${say(row.paidMinor)}`}
            {score.wholeMinor !== null &&
              score.withIds.length === 0 &&
              score.wholeMinor !== cost.totalMinor &&
              row.state === 'open' && <>; with what it needs {say(score.wholeMinor)}</>}
          </>
        ) : (
          <Mark level="unknown">No price is known</Mark>
        )}
        {row.condition === 'used' && `, used${row.warrantyMonths === 0 ? ', no warranty' : ''}`}
        {row.needsIds.length > 0 && `, needs ${called(row.needsIds)}`}
        {row.insteadIds.length > 0 && `, or ${called(row.insteadIds)}`}
      </p>
      {row.waitsFor && (
        <p className="text-[13px]">
          <Mark level={row.isWaiting ? 'advise' : 'warn'}>
            {row.isWaiting ? 'Waits' : 'Waited'} for {row.waitsFor}
            {row.waitsUntil && `, until ${sayDayWithYear(row.waitsUntil)}`}
          </Mark>
          {row.meanwhile && <span className="text-quiet"> Until then: {row.meanwhile}</span>}
        </p>
      )}
      {row.sales.map((it) => (
        <p key={it.unitId} className="text-[13px] text-quiet">
          {it.isOurs && it.neededIn.length === 0
            ? `${it.tag} is sold for it and should fetch ${say(it.askMinor)}.`
            : it.isOurs
              ? `${it.tag} cannot be sold for it: ${it.neededIn.join(', ')} needs it.`
              : `${it.tag} cannot be sold for it: it is not ours, or not here.`}
        </p>
      ))}
      {row.state === 'open' && (
        <ul className="mt-1">
          {row.effects.map((effect) => {
            const setup = setups.find((it) => it.id === effect.setupId)
            if (!setup) return null
            const { level, text } = sayEffect(effect, row.defect)
            return (
              <li key={effect.id} className="py-0.5 text-[13px]">
                <Link to={`/setups/${setup.id}`} aria-label={setup.name} className="no-underline">
                  <TapeStrip code={setup.code} tape={setup.tape} size="small" />
                </Link>{' '}
                <Mark level={level}>{text}</Mark>{' '}
                <span className="text-quiet">{sayNumber(effect.shoots, 'shoot')}</span>
                {effect.added.length > 0 && (
                  <details
                    className="ml-4"
                    open={effect.added.some((it) => it.level === 'stop' || it.level === 'warn')}
                  >
                    <summary>{sayNumber(effect.added.length, 'thing')} found only with it</summary>
                    <ul>
                      {effect.added.map((it) => (
                        <li key={it.key}>
                          <Mark level={it.level}>{sayFinding(it, words).title}</Mark>
                        </li>
                      ))}
                    </ul>
                  </details>
                )}
              </li>
            )
          })}
        </ul>
      )}
      {row.state === 'open' && score.withIds.length > 0 && score.runs > 0 && (
        <p className="text-[13px]">
          <Mark level="ok">
            Together with {called(score.withIds)} nothing stops {sayNumber(score.runs, 'shoot')}
          </Mark>
          {score.wholeMinor !== null && <span className="text-quiet">, {say(score.wholeMinor)} in all</span>}
        </p>
      )}
      {row.untried && (
        <p className="text-[13px]">
          <Mark level="warn">
            {row.untried.name} is of its kind, and was regretted{row.untried.note && `: ${row.untried.note}`}. Try this
            one before it is ordered
          </Mark>
        </p>
      )}
      {(row.because !== 'unsaid' || row.tried || row.reviewOn) && (
        <p className="text-[13px] text-quiet">
          {[
            row.because !== 'unsaid' && `Why this one: ${WHY_THIS[row.because].toLowerCase()}`,
            row.tried && `Tried: ${row.tried}`,
            row.reviewOn && `On trial until ${sayDayWithYear(row.reviewOn)}`,
          ]
            .filter(Boolean)
            .join('. ')}
        </p>
      )}
      {row.advice && <p className="text-[12px] text-quiet">On the advice of {row.advice}</p>}
    </>
  )
}
