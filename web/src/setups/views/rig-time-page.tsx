import type { MinutesReply } from '@exemplar/core'
import { formatMinutes, type RigStep, sayNumber, sayPolicy, sayRigTime, trim } from '@exemplar/core'
import { useState } from 'react'
import { useParams } from 'react-router'
import { useSetupNamesQuery, useSetupQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { WorkingPaper } from '../../foundation/parts/working-paper.tsx'
import { useChangeOverQuery, useMinutesQuery } from '../rig-api.ts'
import { useSetupChanges } from '../use-setup-changes.ts'
import { ChangeOverSteps } from './change-over-steps.tsx'

/** Minutes until it records, what staying rigged would save, the way from another setup, and the floor it takes. */
export function MinutesPage() {
  const { id = '' } = useParams()
  const { data: setup, error, refetch } = useSetupQuery(id)
  const { data } = useMinutesQuery(id)
  const { save, latest, isLoading } = useSetupChanges(setup)
  const may = useMay()
  if (!setup || !data) return <Waiting what="the minutes" error={error} onRetry={refetch} />
  const { time } = data
  const staying = time.steps.filter((it) => it.stays).length
  const change = (step: RigStep, part: { stays?: boolean; rigMinutes?: number | null }, text: string) => {
    const base = latest(setup)
    const roles = base.roles.map((role) => (role.id === step.roleId ? { ...role, ...part } : role))
    return save({ ...base, roles }, text, base)
  }
  return (
    <>
      <PageHead
        title={<TapeStrip code={setup.code} tape={setup.tape} name={setup.name} size="big" />}
        aside="Rig time and floor space"
      >
        <ButtonLink to={`/setups/${id}`}>Role board</ButtonLink>
        <Button onClick={() => window.print()}>Print</Button>
      </PageHead>
      <div className="px-4 pb-8 md:px-5">
        <p className="my-3 text-verdict font-bold tracking-tight" role="status">
          {time.toRecordMinutes === 0
            ? 'Sit down and record.'
            : `${formatMinutes(time.toRecordMinutes)} until it records.`}{' '}
          {staying > 0 && `${formatMinutes(time.fromNothingMinutes)} from nothing.`}{' '}
          {time.correctionMinutes
            ? `${formatMinutes(time.correctionMinutes)} of correcting colours after each film.`
            : ''}
        </p>
        <WorkingPaper words={sayRigTime(time)} />
        <Cost data={data} />
        <Section title="Role by role" aside="what would save most comes first">
          <ul>
            {time.steps.map((step) => (
              <StepRow
                key={step.roleId}
                step={step}
                isBusy={isLoading}
                onChange={may('change-setups') ? (part, text) => change(step, part, text) : null}
              />
            ))}
          </ul>
        </Section>
        <ComingFrom id={id} />
        <Floor data={data} />
      </div>
    </>
  )
}

function sayHowOften(perMonth: number): string {
  if (perMonth >= 1) return `Shot ${trim(perMonth, 1)} times a month`
  return `Shot once in ${trim(1 / perMonth, 0)} months`
}

function Cost({ data: { time, cost, follows, room } }: { data: MinutesReply }) {
  const staying = time.steps.filter((it) => it.stays)
  const saved = cost.packingAllMinutes - cost.packingMinutes
  return (
    <div className="max-w-[70ch] text-[13px] text-quiet">
      <p>
        {cost.sessionsPerMonth > 0
          ? `${sayHowOften(cost.sessionsPerMonth)}: ${formatMinutes(Math.round(cost.packingMinutes))} of rigging and striking a month${saved > 0 ? `, ${formatMinutes(Math.round(saved))} less than with everything struck` : ''}.`
          : 'Not booked in these months, so nothing is reckoned by the month.'}{' '}
        {sayPolicy(follows)}
      </p>
      {room && staying.length > 0 && (cost.inTheWayMinutes > 0 || room.otherUses) && (
        <p className="mt-1">
          <Mark level="advise">
            {`What stays is in the way of others in ${room.name}`}
            {cost.inTheWayMinutes > 0 && `, for ${formatMinutes(cost.inTheWayMinutes)} a month`}
            {room.otherUses && ` (${room.otherUses})`}.
          </Mark>
        </p>
      )}
    </div>
  )
}

function StepRow({
  step,
  isBusy,
  onChange,
}: {
  step: RigStep
  isBusy: boolean
  onChange: ((part: { stays?: boolean; rigMinutes?: number | null }, text: string) => void) | null
}) {
  const [text, setText] = useState(String(step.rigMinutes))
  // What is taken back, or changed by somebody else, is what stands here.
  const [shown, setShown] = useState(step.rigMinutes)
  if (shown !== step.rigMinutes) {
    setShown(step.rigMinutes)
    setText(String(step.rigMinutes))
  }
  const isRead = /^\d{1,3}$/.test(text.trim())
  const store = () => {
    if (!onChange || !isRead || Number(text) === step.rigMinutes) return
    onChange({ rigMinutes: Number(text) }, `${step.role} takes ${text} min.`)
  }
  return (
    <li className="grid grid-cols-[1fr_auto] items-center gap-x-4 gap-y-1 border-b border-rule py-2 text-[13px] md:grid-cols-[minmax(140px,220px)_1fr_auto_auto]">
      <b className="font-semibold">{step.role}</b>
      <span className="max-md:col-span-2 max-md:row-start-2 text-quiet">
        {step.tags.map((tag) => (
          <span key={tag} className="mr-2">
            <Tag>{tag}</Tag>
          </span>
        ))}
      </span>
      <span className="flex items-center gap-2 max-md:col-span-2">
        {onChange ? (
          <div className="w-16">
            <TextField
              label={`Minutes to rig ${step.role}`}
              isLabelHidden
              inputMode="numeric"
              className="text-right"
              value={text}
              problem={isRead ? undefined : 'Whole minutes'}
              onChange={(event) => setText(event.target.value)}
              onBlur={store}
              onKeyDown={(event) => event.key === 'Enter' && store()}
            />
          </div>
        ) : (
          <span className="figures">{step.rigMinutes}</span>
        )}
        <span className="text-quiet md:w-44">
          min, {step.strikeMinutes} to strike{step.isTimed ? '' : ', as usual'}
        </span>
      </span>
      {onChange ? (
        <Button
          size="small"
          disabled={isBusy}
          className="no-print w-32 max-md:col-start-2 max-md:row-start-1"
          aria-pressed={step.stays}
          onClick={() =>
            onChange(
              { stays: !step.stays },
              step.stays ? `${step.role} is struck each time.` : `${step.role} stays rigged.`,
            )
          }
        >
          {step.stays ? 'Stays · strike it' : 'Leave it rigged'}
        </Button>
      ) : (
        <span className="w-32">{step.stays ? 'stays' : 'struck each time'}</span>
      )}
    </li>
  )
}

/** The steps from another setup to this one, and what a second arm or stand would save in a month. */
function ComingFrom({ id }: { id: string }) {
  const { data: setups } = useSetupNamesQuery()
  const [fromId, setFromId] = useState('')
  const { currentData: data } = useChangeOverQuery({ id, fromId }, { skip: !fromId })
  const [times, setTimes] = useState<string | null>(null)
  const perMonth = times ?? (data ? trim(data.changesPerMonth, 1) : '')
  const count = Number(perMonth)
  return (
    <Section title="Coming from another setup">
      <div className="mt-2 grid max-w-lg gap-3 md:grid-cols-2">
        <SelectField
          label="What stands there before"
          value={fromId}
          onChange={(event) => setFromId(event.target.value)}
        >
          <option value="">Choose a setup</option>
          {setups
            ?.filter((it) => it.id !== id)
            .map((it) => (
              <option key={it.id} value={it.id}>
                {it.code} {it.name}
              </option>
            ))}
        </SelectField>
        {data && (
          <TextField
            label="Changes in a month"
            inputMode="decimal"
            value={perMonth}
            problem={Number.isFinite(count) && count >= 0 ? undefined : 'Write a number.'}
            onChange={(event) => setTimes(event.target.value)}
          />
        )}
      </div>
      {data && <ChangeOverSteps plan={data} />}
      {data && data.worthTwice.length > 0 && (
        <div className="mt-2 text-[13px]">
          <h3 className="font-semibold">What a second one would save</h3>
          <ul>
            {data.worthTwice.map((it) => (
              <li key={it.tag} className="flex justify-between gap-4 border-b border-rule py-1">
                <span>
                  <Tag>{it.tag}</Tag> {it.name}
                </span>
                <span className="figures">
                  {it.minutes} min each time
                  {Number.isFinite(count) && count > 0 && `, ${trim(it.minutes * count, 0)} min a month`}
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </Section>
  )
}

function Floor({ data: { floor, base, room } }: { data: MinutesReply }) {
  const { sayArea } = useMeasures()
  const area = room?.size ? room.size.widthMm * room.size.depthMm : null
  return (
    <Section
      title="On the floor"
      aside={`${sayNumber(floor.things.length, 'thing')}, ${sayNumber(floor.feet, 'foot', 'feet')}`}
    >
      <p className="my-2 text-[13px]">
        {sayArea(floor.squareMm)}
        {area !== null && ` of the ${sayArea(area)} of ${room?.name}`}
        {floor.unknown.length > 0 && `, and ${floor.unknown.join(', ')} of which no size is recorded`}.
        {base &&
          ` ${base.name} takes ${sayArea(base.floor.squareMm)} on ${base.floor.feet} feet: ${sayChange(floor.feet - base.floor.feet)}.`}
      </p>
      <ul>
        {floor.things.map((it) => (
          <li key={it.key} className="flex justify-between gap-4 border-b border-rule py-1 text-[13px]">
            <span>
              <Tag>{it.tag}</Tag> {it.name} {it.stays && <span className="text-quiet">· stays</span>}
            </span>
            <span className="figures">
              {it.feet} feet, {it.squareMm === null ? 'size not recorded' : sayArea(it.squareMm)}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-[12px] text-quiet">
        Legs and cables are what people fall over. What hangs from a bar or an arm is off the floor and overhead: local
        rules and a competent rigger decide.
      </p>
    </Section>
  )
}

function sayChange(feet: number): string {
  if (feet === 0) return 'as many feet as here'
  return feet < 0 ? `${-feet} feet fewer here` : `${feet} feet more here`
}
