import {
  FIGURE_WORDS,
  type FigureCode,
  findPractice,
  OVERRIDABLE,
  type Overrides,
  overridesSchema,
  PRACTICE_CODES,
  type PracticeCode,
} from '@exemplar/core'
import { useState } from 'react'
import { SelectField, TextField } from '../../foundation/form/field.tsx'

const ACTING = PRACTICE_CODES.filter(
  (code) => findPractice(code).changes !== null && code !== 'buy-first' && code !== 'numbers',
)

/** Figures and schools that differ for a purpose or a setup; empty is as usual. Saved as each field is left. */
export function OverridesFields({
  overrides,
  usual,
  isLocked = false,
  onChange,
}: {
  overrides: Overrides
  usual(code: FigureCode): string
  isLocked?: boolean
  onChange(overrides: Overrides): unknown
}) {
  const [typed, setTyped] = useState<Partial<Record<FigureCode, string>>>(
    Object.fromEntries(Object.entries(overrides.figures).map(([code, value]) => [code, String(value)])),
  )
  const [problems, setProblems] = useState<Partial<Record<FigureCode, string>>>({})
  const leave = (code: FigureCode) => {
    const text = typed[code]?.trim() ?? ''
    const figures = { ...overrides.figures }
    delete figures[code]
    if (text !== '') figures[code] = Number(text)
    const reading = overridesSchema.safeParse({ ...overrides, figures })
    setProblems({ ...problems, [code]: reading.success ? undefined : 'This is out of what is sensible.' })
    if (reading.success && figures[code] !== overrides.figures[code]) onChange(reading.data)
  }
  const choose = (code: PracticeCode, way: string) => {
    const schools = { ...overrides.schools }
    delete schools[code]
    if (way) schools[code] = way
    onChange({ ...overrides, schools })
  }
  return (
    <div className="grid gap-3 md:grid-cols-2">
      {OVERRIDABLE.map((code) => (
        <TextField
          key={code}
          label={`${FIGURE_WORDS[code].label}${FIGURE_WORDS[code].unit ? `, ${FIGURE_WORDS[code].unit}` : ''}`}
          hint={FIGURE_WORDS[code].changes}
          placeholder={`as usual: ${usual(code)}`}
          inputMode="numeric"
          disabled={isLocked}
          value={typed[code] ?? ''}
          problem={problems[code]}
          onChange={(event) => setTyped({ ...typed, [code]: event.target.value })}
          onBlur={() => leave(code)}
        />
      ))}
      {ACTING.map((code) => (
        <SelectField
          key={code}
          label={findPractice(code).question}
          disabled={isLocked}
          value={overrides.schools[code] ?? ''}
          onChange={(event) => choose(code, event.target.value)}
        >
          <option value="">As usual</option>
          {Object.entries(findPractice(code).ways).map(([way, label]) => (
            <option key={way} value={way}>
              {label}
            </option>
          ))}
        </SelectField>
      ))}
    </div>
  )
}
