import {
  ACQUISITIONS,
  CATEGORIES,
  classifyForLuggage,
  findBudgetEffect,
  findServiceDue,
  formatMoney,
  holdsCharge,
  isDutyDone,
  LIFE_STATES,
  sayEnd,
  saySeason,
  sayWarranty,
  type UnitReply,
} from '@exemplar/core'
import { Link } from 'react-router'
import { useInterfacesQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { Mark } from '../../foundation/parts/mark.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { sayDay, sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useFilmsQuery } from '../../studio/studio-api.ts'
import { ModelFigures } from '../model/model-figures.tsx'
import { ChargeState } from './charge-state.tsx'

function Block({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <section className="border-t border-rule py-3">
      <h2 className="mb-1 text-[13.5px] font-semibold">{title}</h2>
      <div className="text-[13px] text-quiet">{children}</div>
    </section>
  )
}

const LUGGAGE = {
  free: 'By air: in the cabin, terminals covered. Check with your airline.',
  'with-approval': 'By air: only with the airline’s approval, at most two spares, in the cabin, terminals covered.',
  'not-carried': 'By air: above 160 Wh, not carried by passengers.',
}

/** What a thing offers and needs, where it serves, what it cost and what was said about it. */
export function UnitFacts({ page }: { page: UnitReply }) {
  const { unit, model } = page
  const { data: interfaceList } = useInterfacesQuery()
  const { data: studio } = useStudioQuery()
  const { today } = useTimeWords()
  const interfaces = new Map(interfaceList?.map((it) => [it.code, it]))
  const needs = model.ports.filter((port) => port.importance === 'essential')
  const offers = model.ports.filter((port) => port.importance !== 'essential')
  const due = today ? findServiceDue(unit, today) : null
  const currency = studio?.currency ?? 'GBP'
  const may = useMay()
  const spent = page.entries.reduce((sum, it) => sum + findBudgetEffect(it), 0)
  // Its price is an entry of the ledger, or stands in its own record alone.
  const isInLedger = page.entries.some((it) => it.kind === 'purchase')
  const cost = isInLedger ? spent : unit.priceMinor === null ? null : unit.priceMinor + spent
  const open = page.faults.filter((fault) => fault.mendedAt === null)
  return (
    <>
      <p className="pb-3 text-quiet">
        {CATEGORIES[model.category].label} · {LIFE_STATES[unit.state].label.toLowerCase()}
        {unit.dueOn && `, due ${sayDay(unit.dueOn)}`} · {page.place ?? 'no place recorded'}
        {page.nowPlace && `, now at ${page.nowPlace}`}
        {unit.nickname && ` · “${unit.nickname}”`}
        {unit.standsInFor && ` · stands in for ${unit.standsInFor}`}
        {unit.season && ` · shown ${saySeason(unit.season)}`}
        {unit.archivedAt !== null && ' · in the archive'}
      </p>
      {page.parts.some((it) => it.isMissing) && (
        <Block title="Incomplete">
          <Mark level="warn">
            without{' '}
            {page.parts
              .filter((it) => it.isMissing)
              .map((it) => `${it.tag} ${it.name}`)
              .join(', ')}
          </Mark>
        </Block>
      )}
      {open.map((fault) => (
        <Block key={fault.id} title="Fault">
          <Mark level={fault.severity === 'unusable' ? 'stop' : fault.severity === 'usable' ? 'warn' : 'advise'}>
            {fault.note}
          </Mark>
          {fault.workAround && <p>Got along with by: {fault.workAround}.</p>}
          {fault.inFile && <p>In {fault.inFile}.</p>}
        </Block>
      ))}
      <Block title="Used in">
        {page.usedIn.length === 0 && 'No setup counts on it.'}
        <span className="flex flex-wrap gap-2">
          {page.usedIn.map((it) => (
            <Link key={it.id} to={`/setups/${it.id}`}>
              <TapeStrip code={it.code} tape={it.tape} name={it.role} size="small" />
            </Link>
          ))}
        </span>
      </Block>
      <Block title="Needs">
        {needs.length === 0 && 'Nothing that is known.'}
        <ul>
          {needs.map((port) => (
            <li key={port.id}>{sayEnd(port, interfaces, studio?.unitSystem)}</li>
          ))}
          {model.powerModes.length > 1 && (
            <li>one of: {model.powerModes.map((mode) => mode.label.toLowerCase()).join(', ')}</li>
          )}
        </ul>
      </Block>
      <Block title="Offers">
        <ul>
          {offers.map((port) => (
            <li key={port.id}>{sayEnd(port, interfaces, studio?.unitSystem)}</li>
          ))}
        </ul>
      </Block>
      {holdsCharge(model) && (
        <Block title="Charge">
          <ChargeState unit={unit} />
        </Block>
      )}
      <Block title="Figures">
        <ModelFigures model={model} />
        {model.specs.energyMilliwattHours !== null && unit.healthPercent !== null && (
          <p>{unit.healthPercent} % of its energy is left.</p>
        )}
        {model.category === 'pack' && model.specs.energyMilliwattHours !== null && (
          <p>{LUGGAGE[classifyForLuggage(model.specs.energyMilliwattHours)]}</p>
        )}
        {model.notInBox.length > 0 && <p>Comes without: {model.notInBox.join(', ')}.</p>}
        {model.aliases.length > 0 && <p>Also called {model.aliases.join(', ')}.</p>}
        {page.successor && <p>No longer made; {page.successor} took its place.</p>}
        {model.availability && <p>{model.availability}</p>}
        {page.askedFor.map((it) => (
          <p key={it.id}>
            On the shopping list: {it.item}. <span className="text-quiet">{it.reason}</span>
          </p>
        ))}
        {model.link && <p>App, driver, manual, drawing: {model.link}</p>}
      </Block>
      <Block title="Acquisition">
        {ACQUISITIONS[unit.acquisition]}
        {page.party && `, ${page.party}`}
        {unit.acquiredOn && `, ${sayDayWithYear(unit.acquiredOn)}`}
        {unit.priceMinor !== null && `, ${formatMoney(unit.priceMinor, currency)}`}
        {unit.serial && ` · serial ${unit.serial}`}
        {page.owner && (
          <Mark level={unit.ownerAgreed ? 'ok' : 'warn'}>
            {page.owner}’s own{unit.ownerAgreed ? '' : ', not asked yet'}
          </Mark>
        )}
      </Block>
      <Papers page={page} currency={currency} />
      <Block title="Upkeep">
        {due ? (
          <Mark level={due.isDue ? 'warn' : 'ok'}>
            service {due.isDue ? 'was due' : 'due'} {sayDayWithYear(due.dueOn)}
          </Mark>
        ) : (
          'No service interval is set.'
        )}
        {may('see-money') && page.entries.length > 0 && (
          <p className="mt-1">
            {cost === null
              ? `Spent on it so far ${formatMoney(spent, currency)}, tax included; its price is not recorded.`
              : `Cost so far ${formatMoney(cost, currency)}, tax included.`}
          </p>
        )}
      </Block>
      {unit.note && <Block title="What the crew says">{unit.note}</Block>}
      <Block title="Recorded">
        {page.recorded.percent} % of what is worth knowing
        {page.recorded.missing.length > 0 && `. Missing: ${page.recorded.missing.join(', ')}.`}
      </Block>
    </>
  )
}

/** What came with it besides itself: cover, worth, promises and what is to be said. */
function Papers({ page, currency }: { page: UnitReply; currency: string }) {
  const { provenance } = page.unit
  const { today } = useTimeWords()
  const { valueMinor, valueOn, insuredMinor, warrantyUntil, warrantyTerms, duties, reason, conditionOnArrival } =
    provenance
  const open = duties.filter((it) => !isDutyDone(it, today))
  const done = duties.filter((it) => isDutyDone(it, today))
  const { data: films } = useFilmsQuery(undefined, { skip: !done.some((it) => it.filmId) })
  const titles = new Map(films?.map((it) => [it.id, it.title]))
  const lines = [
    valueMinor !== null &&
      `worth ${formatMoney(valueMinor, currency)}${valueOn ? ` on ${sayDayWithYear(valueOn)}` : ''}`,
    insuredMinor !== null && `insured for ${formatMoney(insuredMinor, currency)}`,
    warrantyUntil !== null &&
      `warranty until ${sayDayWithYear(warrantyUntil)}${warrantyTerms && ` (${warrantyTerms})`}, ${sayWarranty(warrantyUntil, today)}`,
    conditionOnArrival && `at arrival: ${conditionOnArrival}`,
    reason && `chosen because: ${reason}`,
  ].filter((it) => it !== false && it !== '')
  if (lines.length + duties.length === 0 && !page.disclosure && !page.remake) return null
  return (
    <Block title="Papers and promises">
      {lines.map((it) => (
        <p key={String(it)}>{it}</p>
      ))}
      {open.map((it) => (
        <Mark key={it.what} level="advise">
          promised: {it.what}
          {it.dueOn && `, by ${sayDayWithYear(it.dueOn)}`}
        </Mark>
      ))}
      {done.map((it) => (
        <Mark key={it.what} level="ok">
          promised and done: {it.what}
          {it.doneOn && `, ${sayDayWithYear(it.doneOn)}`}
          {it.filmId && titles.has(it.filmId) && (
            <>
              , with <Link to="/studio/archive">{titles.get(it.filmId)}</Link>
            </>
          )}
        </Mark>
      ))}
      {page.disclosure && <p>To be said: “{page.disclosure}”</p>}
      {page.remake === 'from-drawing' && <p>Made by hand: nobody sells another, it is made again from its drawing.</p>}
      {page.remake === 'no-drawing' && (
        <Mark level="warn">
          made by hand: nobody sells another, and no drawing is kept. Add a link to its model, or a PDF here.
        </Mark>
      )}
    </Block>
  )
}
