import { findLostAt, type Hanging, type SeasonOutcome, sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Section, Tag } from '../../foundation/parts/page-parts.tsx'
import { sayChance } from './reliability-words.ts'
import { useSeason } from './use-season.ts'

const SEASONS = 10_000
/** The same chance every time, so that what is looked at again is the same. */
const SEED = 1
/** Where nothing was ever mended, so many days. */
const USUAL_DAYS_OUT = 14
const SHOWN = 5

const SOURCES = { ahead: 'The shoots ahead', past: 'The last twelve months again' } as const
type Source = keyof typeof SOURCES

/** A season gone through ten thousand times: how many shoots are lost, and to what. */
export function SeasonSimulation({
  ahead,
  past,
  meanDaysOut,
  tagOf,
  titleOf,
}: {
  ahead: Hanging
  past: Hanging | null
  meanDaysOut: number | null
  tagOf(unitId: string): string
  titleOf(bookingId: string): string
}) {
  const [source, setSource] = useState<Source>('ahead')
  const [daysOut, setDaysOut] = useState(String(Math.round(meanDaysOut ?? USUAL_DAYS_OUT)))
  const { done, outcome, start, cancel } = useSeason()
  const hanging = source === 'past' && past ? past : ahead
  const days = Number(daysOut)
  const isRead = daysOut.trim() !== '' && Number.isFinite(days) && days >= 0 && days <= 365
  const change = (apply: () => void) => {
    cancel()
    apply()
  }
  return (
    <Section title="A season by chance" aside={`${SEASONS.toLocaleString('en-GB')} times over`}>
      <form
        className="no-print flex flex-wrap items-end gap-3 py-2"
        onSubmit={(event) => {
          event.preventDefault()
          if (!isRead) return
          start({
            season: { shoots: hanging.shoots, failsOf: hanging.failsOf, daysOut: days },
            seed: SEED,
            seasons: SEASONS,
          })
        }}
      >
        <SelectField
          label="Which season"
          value={source}
          onChange={(event) => change(() => setSource(event.target.value as Source))}
        >
          {Object.entries(SOURCES).map(([code, label]) => (
            <option key={code} value={code} disabled={code === 'past' && !past?.shoots.length}>
              {label}
            </option>
          ))}
        </SelectField>
        <TextField
          label="Days out after a failure"
          inputMode="numeric"
          value={daysOut}
          unread={isRead ? undefined : 'Days from 0 to 365.'}
          onChange={(event) => change(() => setDaysOut(event.target.value))}
        />
        <Button look="act" type="submit" className="h-9" disabled={!isRead || hanging.shoots.length === 0}>
          Go through it
        </Button>
        {done !== null && (
          <span role="status" className="flex items-center gap-2 text-[13px] text-quiet">
            <progress className="w-32 accent-(--ink)" value={done} max={SEASONS} aria-label="Seasons gone through" />
            {done.toLocaleString('en-GB')} done
            <Button size="small" onClick={cancel}>
              Cancel
            </Button>
          </span>
        )}
      </form>
      <p className="text-[12px] text-quiet">
        {meanDaysOut === null
          ? `Nothing was mended yet: ${USUAL_DAYS_OUT} days are an assumption.`
          : `What failed was out for ${Math.round(meanDaysOut)} days on average, as far as it was mended.`}
      </p>
      {outcome && <Outcome outcome={outcome} hanging={hanging} tagOf={tagOf} titleOf={titleOf} />}
    </Section>
  )
}

function Outcome({
  outcome,
  hanging,
  tagOf,
  titleOf,
}: {
  outcome: SeasonOutcome
  hanging: Hanging
  tagOf(unitId: string): string
  titleOf(bookingId: string): string
}) {
  const { lost, seasons, blame, lostOf } = outcome
  const within = findLostAt(outcome, 0.9)
  const worst = lostOf
    .map((times, at) => ({ times, id: hanging.shoots[at]?.id ?? '' }))
    .filter((it) => it.times > 0)
    .sort((a, b) => b.times - a.times)
    .slice(0, SHOWN)
  return (
    <div className="mt-2">
      <p className="text-[15px] font-semibold">
        In {sayChance((lost[0] ?? 0) / seasons)} of such seasons no shoot is lost; nine of ten lose{' '}
        {within === 0 ? 'none' : `${within} or fewer`}.
      </p>
      <div className="mt-2 grid gap-x-8 gap-y-3 md:grid-cols-3">
        <table>
          <thead>
            <tr>
              <th scope="col">Lost</th>
              <th scope="col">Of such seasons</th>
            </tr>
          </thead>
          <tbody>
            {lost.slice(0, 10).map((times, count) => (
              <tr key={String(count)}>
                <td className="figures">{count}</td>
                <td>
                  <span className="flex items-center gap-2">
                    <span aria-hidden className="h-2 bg-ink" style={{ width: `${(120 * times) / seasons}px` }} />
                    <span className="figures">{times === 0 ? 'none' : sayChance(times / seasons)}</span>
                  </span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <List title="To blame most often">
          {blame.slice(0, SHOWN).map((it) => (
            <li key={it.unitId}>
              <Link to={`/kit/${it.unitId}`}>
                <Tag>{tagOf(it.unitId)}</Tag>
              </Link>
              : {sayNumber(Math.round((100 * it.times) / seasons), 'shoot')} in 100 seasons
            </li>
          ))}
        </List>
        <List title="Lost most often">
          {worst.map((it) => (
            <li key={it.id}>
              <Link to={`/diary/${it.id}`}>{titleOf(it.id)}</Link>: {sayChance(it.times / seasons)}
            </li>
          ))}
        </List>
      </div>
    </div>
  )
}

function List({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <div className="text-[13px]">
      <h3 className="border-b border-rule pb-1 text-[13px] font-semibold">{title}</h3>
      <ul className="mt-1 grid gap-1">{children}</ul>
    </div>
  )
}
