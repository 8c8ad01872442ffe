import { type Finding, findQuestion, NEEDED_FACTS } from '@exemplar/core'
import { useState } from 'react'

/** So many are asked at once: what is answered often settles others. */
const MOST_ASKED = 10

/** Whether one answer would settle a finding that nobody can tell about. */
export const isQuestion = (finding: Finding) =>
  (finding.level === 'unknown-stop' || finding.level === 'unknown') && findQuestion(finding) !== null

const FACTS = Object.keys(NEEDED_FACTS)

/** What could stop first, then what decides most: what a thing is before what it weighs. */
function byWeight(a: Finding, b: Finding): number {
  const rank = (it: Finding) => FACTS.indexOf(findQuestion(it)?.fact ?? '')
  return Number(a.level === 'unknown') - Number(b.level === 'unknown') || rank(a) - rank(b)
}

/** A window wide enough for the margin to stand beside the roles, and not above them. */
const isWide = () => typeof window.matchMedia !== 'function' || window.matchMedia('(min-width: 1024px)').matches

/** The questions of a setup, answered where they stand. On a phone they are folded: the roles come first there. */
export function Questions({
  findings,
  show,
}: {
  findings: readonly Finding[]
  show(finding: Finding): React.ReactNode
}) {
  const [isOpen, setIsOpen] = useState(isWide)
  if (findings.length === 0) return null
  const asked = [...findings].sort(byWeight).slice(0, MOST_ASKED)
  const left = findings.length - asked.length
  return (
    <details
      className="border-t border-rule py-2"
      open={isOpen}
      onToggle={(event) => setIsOpen(event.currentTarget.open)}
    >
      <summary className="text-[13px] font-semibold">
        {findings.length === 1 ? '1 question to answer' : `${findings.length} questions to answer`}
      </summary>
      <ol className="mt-1.5">{asked.map(show)}</ol>
      {left > 0 && (
        <p className="text-[12px] text-quiet">
          {left === 1 ? 'One more comes' : `${left} more come`} when these are answered.
        </p>
      )}
    </details>
  )
}
