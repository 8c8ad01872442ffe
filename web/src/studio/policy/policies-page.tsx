import {
  FIGURE_WORDS,
  type FigureCode,
  findPractice,
  NO_OVERRIDES,
  type Overrides,
  PRACTICE_CODES,
  type PracticeCode,
  PURPOSE_CODES,
  PURPOSES,
  type Purpose,
  type StudioSettings,
} from '@exemplar/core'
import { useState } from 'react'
import { useChangeStudioMutation, useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { OverridesFields } from './overrides-fields.tsx'

const SELECT = 'h-8 w-full rounded-paper border border-rule-strong bg-sheet px-1.5 text-[13px]'

/** Where practice disagrees: the way this studio goes, what that changes, and what differs by purpose. */
export function PoliciesPage() {
  const { data: studio, error, refetch } = useStudioQuery()
  const [change] = useChangeStudioMutation()
  const [purpose, setPurpose] = useState<Purpose>('interview')
  const run = useTold()
  const may = useMay()
  if (!studio) return <Waiting what="the policies" error={error} onRetry={refetch} />
  const canChange = may('change-settings')
  const save = (part: Partial<StudioSettings>, text: string) => {
    const { version, now: _, ...settings } = studio
    return run(change({ version, body: { ...settings, ...part } }).unwrap(), text)
  }
  const choose = (code: PracticeCode, way: string) =>
    save(
      { schools: { ...studio.schools, [code]: way } },
      `${findPractice(code).question} ${findPractice(code).ways[way]}.`,
    )
  const acting = PRACTICE_CODES.filter((code) => findPractice(code).changes !== null)
  const kept = PRACTICE_CODES.filter((code) => findPractice(code).changes === null)
  const rows = (codes: readonly PracticeCode[]) => (
    <ul>
      {codes.map((code) => {
        const { question, ways, changes } = findPractice(code)
        return (
          <li
            key={code}
            className="grid items-center gap-x-5 gap-y-1 border-b border-rule py-2 md:grid-cols-[240px_280px_1fr]"
          >
            <label htmlFor={`school-${code}`} className="text-[13px] font-medium">
              {question}
            </label>
            <select
              id={`school-${code}`}
              className={SELECT}
              disabled={!canChange}
              value={studio.schools[code] ?? Object.keys(ways)[0]}
              onChange={(event) => choose(code, event.target.value)}
            >
              {Object.entries(ways).map(([way, label]) => (
                <option key={way} value={way}>
                  {label}
                </option>
              ))}
            </select>
            <span className="text-[13px] text-quiet">{changes}</span>
          </li>
        )
      })}
    </ul>
  )
  const overrides: Overrides = studio.purposes[purpose] ?? NO_OVERRIDES
  return (
    <>
      <p className="mt-4 max-w-[70ch] text-[13px] text-quiet">
        Good studios go different ways. Yours is chosen here, never by Exemplar; advice that follows a policy names it.
        A purpose, or one setup, may go its own way.
      </p>
      <Section title="What advice follows today">{rows(acting)}</Section>
      <Section title={`What differs by purpose`}>
        <div className="mt-3 grid max-w-[760px] gap-4">
          <label className="grid max-w-[280px] gap-1 text-[12px] font-semibold">
            Purpose
            <select className={SELECT} value={purpose} onChange={(event) => setPurpose(event.target.value as Purpose)}>
              {PURPOSE_CODES.map((code) => (
                <option key={code} value={code}>
                  {PURPOSES[code]}
                  {studio.purposes[code] ? ' · differs' : ''}
                </option>
              ))}
            </select>
          </label>
          <OverridesFields
            key={purpose}
            overrides={overrides}
            usual={(code: FigureCode) => `${studio[code]} ${FIGURE_WORDS[code].unit}`.trim()}
            isLocked={!canChange}
            onChange={(next) =>
              save({ purposes: { ...studio.purposes, [purpose]: next } }, `${PURPOSES[purpose]}: saved.`)
            }
          />
        </div>
      </Section>
      <Section
        title="Kept for checks that do not ask yet"
        aside="recorded and exported, but no advice follows it so far"
      >
        {rows(kept)}
      </Section>
    </>
  )
}
