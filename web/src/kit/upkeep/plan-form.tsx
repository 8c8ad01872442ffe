import type { Category, NewServicePlan, PlanSubject, ServicePlan } from '@exemplar/core'
import { useState } from 'react'
import type { Problem } from '../../foundation/api/problem.ts'
import { FormProblem, NoteField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { CategoryOptions } from '../../foundation/form/options.tsx'
import { Button } from '../../foundation/parts/button.tsx'

const BLANK = {
  everyDays: '',
  everyUses: '',
  everyHours: '',
  everyCycles: '',
  healthBelow: '',
  graceDays: '0',
  minutes: '',
}
type Figures = typeof BLANK

const FIGURES = {
  everyDays: 'Every so many days',
  everyUses: 'Or every so many uses',
  everyHours: 'Or every so many hours',
  everyCycles: 'Or every so many charges',
  healthBelow: 'Or when it holds so few per cent',
  graceDays: 'Late after so many days more',
  minutes: 'Minutes it takes',
} as const

const write = (value: number | null) => (value === null ? '' : String(value))
const read = (text: string): number | null => (text.trim() === '' ? null : Number(text))

/** For what a plan can be where it is made. */
export interface SubjectChoice {
  label: string
  subject: PlanSubject
}

/** What is done to what, how often, by whom. */
export function PlanForm({
  plan,
  choices,
  problem,
  onSave,
}: {
  plan: ServicePlan | null
  choices: readonly SubjectChoice[]
  problem: Problem | null
  onSave(plan: NewServicePlan): void
}) {
  const [name, setName] = useState(plan?.name ?? '')
  const [subject, setSubject] = useState<PlanSubject>(
    plan?.subject ?? choices[0]?.subject ?? { kind: 'category', category: 'camera' },
  )
  const [figures, setFigures] = useState<Figures>({
    everyDays: write(plan?.everyDays ?? null),
    everyUses: write(plan?.everyUses ?? null),
    everyHours: write(plan?.everyHours ?? null),
    everyCycles: write(plan?.everyCycles ?? null),
    healthBelow: write(plan?.healthBelow ?? null),
    graceDays: write(plan?.graceDays ?? 0),
    minutes: write(plan?.minutes ?? null),
  })
  const [rest, setRest] = useState({ steps: plan?.steps ?? '', parts: plan?.parts ?? '', who: plan?.who ?? '' })
  const isWhole = (text: string) => /^\d*$/.test(text.trim())
  const { graceDays: _grace, minutes: _minutes, ...ways } = figures
  const isSaid = Object.values(ways).some((it) => it.trim() !== '')
  const isFine = name.trim() !== '' && isSaid && Object.values(figures).every(isWhole)
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (!isFine) return
        onSave({
          name: name.trim(),
          subject,
          everyDays: read(figures.everyDays),
          everyUses: read(figures.everyUses),
          everyHours: read(figures.everyHours),
          everyCycles: read(figures.everyCycles),
          healthBelow: read(figures.healthBelow),
          graceDays: read(figures.graceDays) ?? 0,
          minutes: read(figures.minutes),
          steps: rest.steps.trim(),
          parts: rest.parts.trim(),
          who: rest.who.trim(),
        })
      }}
    >
      <TextField
        label="What is done"
        autoFocus
        value={name}
        problem={problem?.fields.name}
        onChange={(event) => setName(event.target.value)}
      />
      <SubjectFields subject={subject} choices={choices} onChange={setSubject} />
      <div className="grid grid-cols-2 gap-3">
        {(Object.keys(FIGURES) as (keyof Figures)[]).map((key) => (
          <TextField
            key={key}
            label={FIGURES[key]}
            inputMode="numeric"
            value={figures[key]}
            unread={isWhole(figures[key]) ? undefined : 'A whole number.'}
            problem={problem?.fields[key]}
            onChange={(event) => setFigures({ ...figures, [key]: event.target.value })}
          />
        ))}
      </div>
      {!isSaid && (
        <p className="text-[12px] text-quiet">
          In days, uses, hours, charges or by its health: whichever comes first is due.
        </p>
      )}
      <NoteField
        label="Steps"
        value={rest.steps}
        problem={problem?.fields.steps}
        onChange={(event) => setRest({ ...rest, steps: event.target.value })}
      />
      <TextField
        label="Parts and stuff it wants"
        value={rest.parts}
        problem={problem?.fields.parts}
        onChange={(event) => setRest({ ...rest, parts: event.target.value })}
      />
      <TextField
        label="Who does it"
        value={rest.who}
        problem={problem?.fields.who}
        onChange={(event) => setRest({ ...rest, who: event.target.value })}
      />
      <FormProblem text={problem && Object.keys(problem.fields).length === 0 ? problem.detail : null} />
      <Button look="act" type="submit" className="w-fit" disabled={!isFine}>
        Plan it
      </Button>
    </form>
  )
}

/** All things of a kind; on the page of a thing also that one, or all of its model. */
function SubjectFields({
  subject,
  choices,
  onChange,
}: {
  subject: PlanSubject
  choices: readonly SubjectChoice[]
  onChange(subject: PlanSubject): void
}) {
  const at = choices.findIndex((it) => JSON.stringify(it.subject) === JSON.stringify(subject))
  return (
    <div className="grid grid-cols-2 gap-3">
      {choices.length > 0 && (
        <SelectField
          label="For"
          value={at < 0 ? 'kind' : at}
          onChange={(event) => {
            const choice = choices[Number(event.target.value)]
            onChange(choice ? choice.subject : { kind: 'category', category: 'camera' })
          }}
        >
          {choices.map((it, index) => (
            <option key={it.label} value={index}>
              {it.label}
            </option>
          ))}
          <option value="kind">all of a kind</option>
        </SelectField>
      )}
      {subject.kind === 'category' && at < 0 && (
        <SelectField
          label={choices.length > 0 ? 'Which kind' : 'For all of a kind'}
          value={subject.category}
          onChange={(event) => onChange({ kind: 'category', category: event.target.value as Category })}
        >
          <CategoryOptions />
        </SelectField>
      )}
    </div>
  )
}
