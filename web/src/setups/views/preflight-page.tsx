import {
  type Charge,
  groupBySource,
  isCharged,
  listInWords,
  printSettings,
  type StartLine,
  sayNumber,
  sayStartLine,
} from '@exemplar/core'
import { useState } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { useChangeUnitMutation, useSayChargesMutation, useSetupQuery, useUnitQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useStartQuery } from '../rig-api.ts'

/**
 * What is done before it records, one thumb on a phone or a pencil on paper. Ticks stay with whoever makes them, but for what
 * was charged: everybody wants to know that.
 */
export function StartPage() {
  const { id = '' } = useParams()
  const [params] = useSearchParams()
  const { data, error, refetch } = useStartQuery({ id, bookingId: params.get('booking') ?? undefined })
  const [done, setDone] = useState<ReadonlySet<string>>(new Set())
  const may = useMay()
  const sayCharged = useSayCharged()
  if (!data) return <Waiting what="the start list" error={error} onRetry={refetch} />
  const isDone = (line: StartLine) => done.has(line.key) || isCharged(line)
  const left = data.lines.filter((it) => !isDone(it)).length
  const tick = (line: StartLine) => {
    if (line.kind === 'charge' && line.packs.length > 0 && may('bring-back')) {
      sayCharged(line, isCharged(line) ? 'used' : 'full')
      return
    }
    const next = new Set(done)
    if (!next.delete(line.key)) next.add(line.key)
    setDone(next)
  }
  return (
    <>
      <PageHead title={<TapeStrip {...data.setup} size="big" />} aside="Preflight">
        <ButtonLink to={`/setups/${id}`}>Role board</ButtonLink>
        <Button onClick={() => window.print()}>Print</Button>
      </PageHead>
      <div className="px-4 pb-8 md:px-5">
        <p className="my-3 text-verdict font-bold tracking-tight" role="status">
          {left === 0 ? 'All done. Roll.' : `${left} to do.`}
        </p>
        <ol className="max-w-[80ch]">
          {data.lines.map((line) => (
            <Line key={line.key} line={line} isDone={isDone(line)} onTick={() => tick(line)} />
          ))}
        </ol>
        {data.sources.length > 0 && (
          <Section title="What each thing lives on" aside={sayNumber(data.sources.length, 'thing')}>
            <dl className="text-[13px]">
              {groupBySource(data.sources).map(({ label, things }) => (
                <div key={label} className="grid grid-cols-[minmax(110px,180px)_1fr] gap-3 border-b border-rule py-1.5">
                  <dt className="font-semibold">{label}</dt>
                  <dd>
                    {things.map((it) => (
                      <span key={it.tag} className="mr-3 inline-block">
                        <Tag>{it.tag}</Tag> <span className="text-quiet">{it.name}</span>
                      </span>
                    ))}
                  </dd>
                </div>
              ))}
            </dl>
          </Section>
        )}
        {may('change-kit') && <StoreBank setupId={id} />}
      </div>
    </>
  )
}

/** Writes down what came off its charger; what was full already and is not is worked from. */
function useSayCharged() {
  const [sayCharges] = useSayChargesMutation()
  const run = useTold()
  const { today } = useTimeWords()
  return ({ packs }: StartLine & { kind: 'charge' }, state: Charge['state']) => {
    const meant = packs.filter((it) => it.charge !== state)
    const tags = listInWords(meant.map((it) => it.tag))
    const unitIds = meant.map((it) => it.unitId)
    const is = meant.length === 1 ? 'is' : 'are'
    run(
      sayCharges({ unitIds, state, on: today }).unwrap(),
      `${tags} ${is} ${state === 'full' ? 'charged' : 'to be charged'}.`,
    )
  }
}

function Line({ line, isDone, onTick }: { line: StartLine; isDone: boolean; onTick(): void }) {
  const { text, note } = sayStartLine(line)
  const isWrong =
    (line.kind === 'recall-bank' && line.why !== null) || (line.kind === 'fetch-controller' && line.isMissing)
  return (
    <li className="border-b border-rule">
      <label className="flex min-h-11 items-start gap-3 py-2">
        <input type="checkbox" className="mt-0.5 size-5 shrink-0 accent-(--ink)" checked={isDone} onChange={onTick} />
        <span className={isDone ? 'text-quiet line-through' : ''}>
          <span className={`block text-[15px] font-semibold ${isWrong ? 'text-warn' : ''}`}>{text}</span>
          {note && <span className="block text-[13px] text-quiet">{note}</span>}
        </span>
        {line.kind === 'tidy' && line.stillId && (
          <img
            src={`/api/attachments/${line.stillId}/thumbnail`}
            alt="How it should look"
            className="ml-auto w-36 border border-rule"
          />
        )}
      </label>
    </li>
  )
}

/** Notes in which memory bank of a thing the settings of its role are stored. */
function StoreBank({ setupId }: { setupId: string }) {
  const { data: setup } = useSetupQuery(setupId)
  const [chosen, setChosen] = useState('')
  const [bank, setBank] = useState('')
  const filled = (setup?.roles ?? []).flatMap((role) =>
    (role.settings?.length ?? 0) > 0
      ? role.things.flatMap(({ unitId }) => {
          const unit = setup?.units.find((it) => it.id === unitId)
          return unit ? [{ role, unit }] : []
        })
      : [],
  )
  const it = filled.find(({ unit }) => unit.id === chosen)
  // Never the banks of the thing that was chosen before.
  const { currentData: page } = useUnitQuery(chosen, { skip: !chosen })
  const [change] = useChangeUnitMutation()
  const run = useTold()
  const { today } = useTimeWords()
  if (filled.length === 0) return null
  const store = () => {
    if (!it || !page) return
    const others = page.unit.banks.filter((other) => other.bank !== bank.trim())
    const own = {
      bank: bank.trim(),
      setupId,
      roleId: it.role.id,
      print: printSettings(it.role.settings ?? []),
      storedOn: today,
    }
    run(
      change({ id: it.unit.id, version: page.version, body: { banks: [...others, own] } }).unwrap(),
      `${it.unit.tag} has them in ${own.bank}.`,
    )
    setBank('')
  }
  return (
    <Section title="Store the settings in a memory bank">
      <form
        className="no-print mt-2 grid max-w-xl items-end gap-3 md:grid-cols-[1fr_1fr_auto]"
        onSubmit={(event) => {
          event.preventDefault()
          store()
        }}
      >
        <SelectField label="Of" value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value="">Choose a thing with settings</option>
          {filled.map(({ role, unit }) => (
            <option key={unit.id} value={unit.id}>
              {unit.tag}, {role.name}
            </option>
          ))}
        </SelectField>
        <TextField
          label="Bank"
          placeholder="Bank 2"
          maxLength={80}
          value={bank}
          onChange={(event) => setBank(event.target.value)}
        />
        <Button type="submit" look="act" disabled={!it || !page || !bank.trim()}>
          It is stored there
        </Button>
      </form>
    </Section>
  )
}
