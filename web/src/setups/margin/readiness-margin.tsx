import {
  type CableRun,
  canHelp,
  type Finding,
  groupByCause,
  listInWords,
  type Readiness,
  sayVerdict,
} from '@exemplar/core'
import { Mark } from '../../foundation/parts/mark.tsx'
import { WorkingPaper } from '../../foundation/parts/working-paper.tsx'
import { AcceptedFindings } from './accepted-findings.tsx'
import { type FindingDeeds, FindingItem } from './finding-item.tsx'
import { OneCause } from './one-cause.tsx'
import { isQuestion, Questions } from './questions.tsx'
import { WhereSignalsGo } from './where-signals-go.tsx'
import { useSaidWorking, Worked } from './worked.tsx'

/** What nobody said is charged; of many the first. */
function sayUncharged(tags: readonly string[]): string {
  const named = tags.length > 4 ? [...tags.slice(0, 3), `${tags.length - 3} more`] : tags
  return `charge ${listInWords(named)}, or say on the start list that ${tags.length === 1 ? 'it is' : 'they are'} charged.`
}

/** The margin beside the work: the verdict first, then each finding with its figure and its ways out. */
export function ReadinessMargin({
  readiness,
  hasThings,
  occasion,
  deeds,
  links,
  onLetGo,
  help,
}: {
  readiness: Readiness
  hasThings: boolean
  occasion: React.ReactNode
  deeds: FindingDeeds
  /** Runs as somebody made them, and a way to make them anew. */
  links: readonly CableRun[]
  onLetGo: ((run: CableRun) => void) | null
  /** What Exemplar can do about all of it at once. */
  help: React.ReactNode
}) {
  const { counts } = readiness
  const findings = readiness.findings.filter((it) => !it.accepted)
  const groups = groupByCause(findings)
  const accepted = readiness.findings.filter((it) => it.accepted)
  /** The worst that something can be done about: its ways out are shown at once. */
  const first = findings.find(canHelp)
  const { onAccept } = deeds
  const say = useSaidWorking(readiness)
  const found = new Set(
    readiness.findings.flatMap((it) => ('working' in it ? [it.working.formula + JSON.stringify(it.working)] : [])),
  )
  const showFinding = (finding: Finding) => (
    <FindingItem
      key={finding.key}
      finding={finding}
      isFirst={finding === first}
      deeds={deeds}
      working={'working' in finding && <WorkingPaper words={say(finding.working)} />}
    />
  )
  const showGroup = (group: readonly Finding[]) => {
    const [only] = group
    if (!only || group.length === 1) return only ? showFinding(only) : null
    return (
      <OneCause key={only.key} findings={group}>
        {group.map(showFinding)}
      </OneCause>
    )
  }
  const fine = readiness.workings
    .map((working) => ({ key: working.formula + JSON.stringify(working), working }))
    .filter(({ key }) => !found.has(key))
  return (
    <aside
      aria-label="Readiness"
      className="border-rule bg-sheet px-[18px] py-4 max-lg:order-first max-lg:border-b lg:border-l"
    >
      <h2 className="text-verdict tracking-tight" aria-live="polite">
        {sayVerdict(readiness, hasThings)}
      </h2>
      <div className="mt-1.5 flex flex-wrap gap-x-4 gap-y-1">
        {counts.stop > 0 && <Mark level="stop">{counts.stop === 1 ? '1 stop' : `${counts.stop} stops`}</Mark>}
        {counts['unknown-stop'] > 0 && (
          <Mark level="unknown-stop">
            {counts['unknown-stop'] === 1 ? '1 question' : `${counts['unknown-stop']} questions`}
          </Mark>
        )}
        {counts.warn > 0 && <Mark level="warn">{counts.warn === 1 ? '1 warning' : `${counts.warn} warnings`}</Mark>}
        {counts.unknown > 0 && <Mark level="unknown">{counts.unknown} unknown</Mark>}
        {counts.advise > 0 && <Mark level="advise">{counts.advise} advised</Mark>}
      </div>
      <div className="mt-2 mb-3 text-[13px] text-quiet">{occasion}</div>
      {hasThings && readiness.uncharged.length > 0 && (
        <p className="mb-3 text-[13px]">Before it records, {sayUncharged(readiness.uncharged)}</p>
      )}
      {help}
      <ol>{groups.filter(([it]) => it?.level === 'stop').map(showGroup)}</ol>
      <Questions findings={findings.filter(isQuestion)} show={showFinding} />
      <ol>{groups.filter(([it]) => it && it.level !== 'stop' && !isQuestion(it)).map(showGroup)}</ol>
      {accepted.length > 0 && (
        <AcceptedFindings findings={accepted} onReopen={onAccept && ((it) => onAccept(it, null))} />
      )}
      <WhereSignalsGo signals={readiness.signals} links={links} onLetGo={onLetGo} />
      {readiness.inputs.length > 0 && (
        <section className="border-t border-rule py-2">
          <h3 className="mb-1">Inputs in use</h3>
          <ul>
            {readiness.inputs.map(({ tag, name, used, total }) => (
              <li key={tag} className="flex justify-between gap-3 py-0.5 text-[13px]">
                <span>
                  <b className="font-mono font-medium">{tag}</b> {name}
                </span>
                <span className="figures whitespace-nowrap">
                  {used} of {total}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {fine.length > 0 && (
        <section className="border-t border-rule pt-2">
          <h3 className="mb-1">Sums that come out</h3>
          <ul className="grid gap-2">
            {fine.map(({ key, working }) => (
              <li key={key}>
                <Worked working={working} follows={readiness.follows} usual={readiness.usual} />
              </li>
            ))}
          </ul>
          <p className="mt-3 text-[12px] text-quiet">
            Exemplar helps to plan and certifies nothing: local codes, the house’s rules and licensed electricians and
            riggers decide.
          </p>
        </section>
      )}
    </aside>
  )
}
