import {
  exampleOf,
  type FactAnswer,
  listAnswers,
  type Measure,
  NEEDED_FACTS,
  type NeededFact,
  readMeasure,
  type UnitSystem,
} from '@exemplar/core'
import { type FormEvent, useState } from 'react'
import { useInterfacesQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { useAnswerFactMutation } from '../kit-api.ts'

type Answer = FactAnswer | { kind: 'new-interface'; label: string }

/** How a figure is typed; a card's speed is a plain number of megabytes, and masses and lengths are written as the studio writes them. */
const FIGURES: Readonly<
  Partial<Record<NeededFact, { measure: Measure | null; example?: string; thousandths?: true }>>
> = {
  mass: { measure: 'mass' },
  'load-limit': { measure: 'mass' },
  reach: { measure: 'length' },
  height: { measure: 'length' },
  lowest: { measure: 'length' },
  'leg-radius': { measure: 'length' },
  watts: { measure: 'power', example: '60 W' },
  energy: { measure: 'energy', example: '98 Wh' },
  capacity: { measure: 'data', example: '128 GB' },
  memory: { measure: 'data', example: '64 GB' },
  rate: { measure: 'bitRate', example: '100 Mbit/s' },
  thread: { measure: null, example: '77, as it stands on the rim' },
  'card-speed': { measure: null, example: '30, as V30 has it in MB/s' },
  amps: { measure: null, example: '10 A', thousandths: true },
  'charge-amps': { measure: null, example: '2 A', thousandths: true },
  volts: { measure: null, example: '14.4 V', thousandths: true },
}

interface AnswerProps {
  fact: NeededFact
  isBusy: boolean
  /** What the server said about the answer before. */
  problem: string | undefined
  onAnswer(answer: Answer): void
}

/** A fact that nobody recorded, answered where it is asked: what is answered goes to the model. */
export function FactQuestion({
  model,
  fact,
}: {
  model: { id: string; name: string; version: number }
  fact: NeededFact
}) {
  const [save] = useAnswerFactMutation()
  const { save: keep, isSaving, problem, conflict } = useSaving(() => {})
  const answer = (given: Answer) =>
    keep(
      () => save({ id: model.id, version: model.version, body: { fact, answer: given } }).unwrap(),
      `${model.name}: written down.`,
    )
  const { none, question } = NEEDED_FACTS[fact]
  const said = conflict
    ? 'Somebody changed this model meanwhile; what is there now is shown. Answer again.'
    : (problem?.fields.code ?? problem?.fields.value ?? problem?.fields.label ?? problem?.detail)
  const props = { fact, isBusy: isSaving, problem: said, onAnswer: answer }
  return (
    <fieldset className="my-1.5 grid gap-1.5 border-l-2 border-rule-strong pl-2.5">
      <legend className="sr-only">{question}</legend>
      {FIGURES[fact] ? <FigureAnswer {...props} none={none} /> : <EndAnswer {...props} none={none} />}
    </fieldset>
  )
}

function FigureAnswer({ fact, isBusy, problem, none, onAnswer }: AnswerProps & { none: string | null }) {
  const [text, setText] = useState('')
  const [unread, setUnread] = useState<string>()
  const { measure = null, example: given, thousandths } = FIGURES[fact] ?? {}
  const { data: studio } = useStudioQuery()
  const system = studio?.unitSystem ?? 'metric'
  const example = given ?? exampleOf(measure ?? 'mass', system)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const value = readFigure(text, measure, thousandths ? 1000 : 1, system)
    setUnread(value === null ? `Write it as ${example}.` : undefined)
    if (value !== null) onAnswer({ kind: 'figure', value })
  }
  return (
    <form className="flex items-end gap-1.5" onSubmit={submit}>
      <TextField
        label={NEEDED_FACTS[fact].question}
        hint={example}
        value={text}
        problem={unread ?? problem}
        onChange={(event) => setText(event.target.value)}
      />
      <Button size="small" type="submit" className="mb-[22px]" disabled={isBusy || text.trim() === ''}>
        Write down
      </Button>
      {none && (
        <Button size="small" className="mb-[22px]" disabled={isBusy} onClick={() => onAnswer({ kind: 'none' })}>
          {none}
        </Button>
      )}
    </form>
  )
}

/** Whole units above nothing; null for what cannot be read. */
function readFigure(text: string, measure: Measure | null, factor: number, system: UnitSystem): number | null {
  if (measure === null) {
    // "V30", "10 A" and "14,4 V" are the number in them.
    const value = Number(
      text
        .trim()
        .replace(/^v|[av]$/gi, '')
        .replace(',', '.'),
    )
    return Number.isFinite(value) && value * factor >= 1 ? Math.round(value * factor) : null
  }
  const reading = readMeasure(text, measure, system)
  return reading.ok && reading.value >= 1 ? Math.round(reading.value) : null
}

/** Stands in the list for one that is not in it yet. */
const OTHER = 'other'

function EndAnswer({ fact, isBusy, problem, none, onAnswer }: AnswerProps & { none: string | null }) {
  const { data: interfaces } = useInterfacesQuery()
  const known = listAnswers(fact, interfaces ?? [])
  const [choice, setChoice] = useState('')
  const [label, setLabel] = useState('')
  // Where the studio has none yet there is nothing to choose.
  const chosen = interfaces && known.length === 0 ? OTHER : choice
  const isReady = chosen === OTHER ? label.trim() !== '' : chosen !== ''
  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (!isReady) return
    onAnswer(chosen === OTHER ? { kind: 'new-interface', label: label.trim() } : { kind: 'interface', code: chosen })
  }
  return (
    <form className="grid gap-1.5" onSubmit={submit}>
      {known.length > 0 && (
        <SelectField
          label={NEEDED_FACTS[fact].question}
          value={chosen}
          problem={problem}
          onChange={(event) => setChoice(event.target.value)}
        >
          <option value="">Choose</option>
          {known.map((it) => (
            <option key={it.code} value={it.code}>
              {it.label}
            </option>
          ))}
          <option value={OTHER}>Another one</option>
        </SelectField>
      )}
      {chosen === OTHER && (
        <TextField
          label={known.length > 0 ? 'What it is called' : NEEDED_FACTS[fact].question}
          hint="As people call it; it goes into the list of mounts and systems."
          value={label}
          problem={problem}
          onChange={(event) => setLabel(event.target.value)}
        />
      )}
      <span className="flex flex-wrap gap-1.5">
        <Button size="small" type="submit" disabled={isBusy || !isReady}>
          Write down
        </Button>
        {none && (
          <Button size="small" disabled={isBusy} onClick={() => onAnswer({ kind: 'none' })}>
            {none}
          </Button>
        )}
      </span>
    </form>
  )
}
