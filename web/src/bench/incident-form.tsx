import {
  type Category,
  type Incident,
  type LessonFor,
  type NewIncident,
  PURPOSES,
  type Purpose,
  SEVERITIES,
  SEVERITY_LABELS,
  type Severity,
} from '@exemplar/core'
import { useState } from 'react'
import { useSetupNamesQuery } from '../foundation/api/api.ts'
import type { Problem } from '../foundation/api/problem.ts'
import { FormProblem, NoteField, SelectField, TextField } from '../foundation/form/field.tsx'
import { CategoryOptions } from '../foundation/form/options.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Tag } from '../foundation/parts/page-parts.tsx'
import { ThingPicker } from '../kit/entry/thing-picker.tsx'

interface Hit {
  unitId: string
  tag: string
  name: string
  severity: NewIncident['hit'][number]['severity']
}

const LESSON_FOR = {
  all: 'every setup',
  category: 'setups with a kind of thing',
  setup: 'one setup',
  purpose: 'setups of one purpose',
} as const

/** What happened, what it hit, what saved it, and what is done otherwise from now on. */
export function IncidentForm({
  incident,
  today,
  problem,
  onSave,
}: {
  /** What is put better; null is a new one. */
  incident: Incident | null
  today: string
  problem: Problem | null
  onSave(incident: NewIncident): void
}) {
  const [said, setSaid] = useState({
    on: incident?.on ?? today,
    what: incident?.what ?? '',
    cause: incident?.cause ?? '',
    saved: incident?.saved ?? '',
    lesson: incident?.lesson ?? '',
  })
  const [lessonFor, setLessonFor] = useState<LessonFor>(incident?.lessonFor ?? { kind: 'all' })
  const [hit, setHit] = useState<Hit[]>([])
  const [isAsked, setAsked] = useState(false)
  const put = (part: Partial<typeof said>) => setSaid({ ...said, ...part })
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (!said.what.trim() || !said.on) return
        onSave({ ...said, lessonFor, hit: hit.map(({ unitId, severity }) => ({ unitId, severity })) })
      }}
    >
      <NoteField
        label="What happened?"
        autoFocus
        value={said.what}
        problem={isAsked && !said.what.trim() ? 'Say in a few words what happened.' : problem?.fields.what}
        onChange={(event) => put({ what: event.target.value })}
      />
      <TextField
        label="On"
        type="date"
        max={today}
        value={said.on}
        problem={problem?.fields.on}
        onChange={(event) => put({ on: event.target.value })}
      />
      {!incident && <HitFields hit={hit} onChange={setHit} />}
      <TextField
        label="Why"
        value={said.cause}
        maxLength={600}
        problem={problem?.fields.cause}
        onChange={(event) => put({ cause: event.target.value })}
      />
      <TextField
        label="What kept it from being worse"
        value={said.saved}
        maxLength={300}
        problem={problem?.fields.saved}
        onChange={(event) => put({ saved: event.target.value })}
      />
      <TextField
        label="The lesson, as a line of the start list"
        hint="Cable clear of the tripod’s legs"
        value={said.lesson}
        maxLength={200}
        problem={problem?.fields.lesson}
        onChange={(event) => put({ lesson: event.target.value })}
      />
      {said.lesson.trim() && <LessonForFields about={lessonFor} onChange={setLessonFor} />}
      <FormProblem text={problem && Object.keys(problem.fields).length === 0 ? problem.detail : null} />
      <Button look="act" type="submit" size="thumb" className="w-fit">
        Write it down
      </Button>
    </form>
  )
}

function HitFields({ hit, onChange }: { hit: readonly Hit[]; onChange(hit: Hit[]): void }) {
  const [isPicking, setPicking] = useState(false)
  return (
    <fieldset>
      <legend className="mb-1 text-[12px] font-semibold">What it hit</legend>
      {hit.map((it) => (
        <div key={it.unitId} className="mb-2 flex flex-wrap items-end gap-2 text-[13px]">
          <span className="min-w-40 flex-1">
            <Tag>{it.tag}</Tag> {it.name}
          </span>
          <SelectField
            label={`How ${it.tag} is`}
            value={it.severity ?? ''}
            onChange={(event) => {
              const severity = event.target.value === '' ? null : (event.target.value as Severity)
              onChange(hit.map((other) => (other === it ? { ...it, severity } : other)))
            }}
          >
            <option value="">as it was</option>
            {SEVERITIES.map((code) => (
              <option key={code} value={code}>
                {SEVERITY_LABELS[code].toLowerCase()}
              </option>
            ))}
          </SelectField>
          <Button
            size="small"
            aria-label={`Not ${it.tag}`}
            onClick={() => onChange(hit.filter((other) => other !== it))}
          >
            Not this
          </Button>
        </div>
      ))}
      {isPicking ? (
        <ThingPicker
          wants={null}
          withStock={false}
          taken={new Set(hit.map((it) => it.unitId))}
          act={{ short: 'Hit', say: (tag) => `${tag} was hit` }}
          onPick={(picked) => {
            if ('unitId' in picked) onChange([...hit, { ...picked, severity: null }])
            setPicking(false)
          }}
        />
      ) : (
        <Button size="small" onClick={() => setPicking(true)}>
          {hit.length === 0 ? 'Something was hit' : 'And something else'}
        </Button>
      )}
    </fieldset>
  )
}

/** On which start lists the lesson stands. */
function LessonForFields({ about, onChange }: { about: LessonFor; onChange(about: LessonFor): void }) {
  const { data: setups } = useSetupNamesQuery()
  const first = setups?.[0]
  const choose = (kind: string) => {
    if (kind === 'all') onChange({ kind: 'all' })
    if (kind === 'category') onChange({ kind: 'category', category: 'tripod' })
    if (kind === 'setup' && first) onChange({ kind: 'setup', setupId: first.id })
    if (kind === 'purpose') onChange({ kind: 'purpose', purpose: 'interview' as Purpose })
  }
  return (
    <div className="grid grid-cols-2 gap-3">
      <SelectField
        label="It stands on the start list of"
        value={about.kind}
        onChange={(event) => choose(event.target.value)}
      >
        {Object.entries(LESSON_FOR).map(([code, label]) => (
          <option key={code} value={code} disabled={code === 'setup' && !first}>
            {label}
          </option>
        ))}
      </SelectField>
      {about.kind === 'category' && (
        <SelectField
          label="Which kind"
          value={about.category}
          onChange={(event) => onChange({ kind: 'category', category: event.target.value as Category })}
        >
          <CategoryOptions />
        </SelectField>
      )}
      {about.kind === 'setup' && (
        <SelectField
          label="Which setup"
          value={about.setupId}
          onChange={(event) => onChange({ kind: 'setup', setupId: event.target.value })}
        >
          {setups?.map((it) => (
            <option key={it.id} value={it.id}>
              {it.name}
            </option>
          ))}
        </SelectField>
      )}
      {about.kind === 'purpose' && (
        <SelectField
          label="Which purpose"
          value={about.purpose}
          onChange={(event) => onChange({ kind: 'purpose', purpose: event.target.value as Purpose })}
        >
          {Object.entries(PURPOSES).map(([code, label]) => (
            <option key={code} value={code}>
              {label}
            </option>
          ))}
        </SelectField>
      )}
    </div>
  )
}
