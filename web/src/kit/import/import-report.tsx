import {
  type AlikeLines,
  CATEGORY_CODES,
  type ImportReport,
  type InventoryColumn,
  listAlikeLines,
  sayNumber,
} from '@exemplar/core'
import { type ReactNode, useRef, useState } from 'react'
import type { ImportRequest } from '../../foundation/api/api.ts'
import { CheckField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Tag } from '../../foundation/parts/page-parts.tsx'
import { KindField } from '../entry/kind-field.tsx'

type Line = ImportReport['lines'][number]
type Problem = Line['problems'][number]

const OUTCOMES: Readonly<Record<Line['outcome'], { text: string; level: 'ok' | 'advise' | 'stop' } | null>> = {
  thing: { text: 'a new thing', level: 'ok' },
  stock: { text: 'new stock', level: 'ok' },
  update: { text: 'changes what is here', level: 'advise' },
  same: { text: 'is here already', level: 'ok' },
  repeat: { text: 'stands here twice', level: 'advise' },
  bad: null,
  'left-out': null,
}

/** So many lines are shown at once; what needs somebody stands on top in any case. */
const SHOWN = 200

/** What every line of the list becomes, what needs somebody first. */
export function ImportReportTable({
  report,
  request,
  onChange,
  children,
}: {
  report: ImportReport
  request: ImportRequest
  onChange(request: ImportRequest): void
  children: ReactNode
}) {
  const [shown, setShown] = useState(SHOWN)
  const { counts } = report
  const flip = (list: number[], line: number, isIn: boolean) =>
    isIn ? [...list, line] : list.filter((it) => it !== line)
  const correct = (lines: readonly number[], column: InventoryColumn, value: string) =>
    onChange({
      ...request,
      corrections: [
        ...request.corrections.filter((it) => !lines.includes(it.line) || it.column !== column),
        ...lines.map((line) => ({ line, column, value })),
      ],
    })
  // What needs somebody stands on top, and what was put right stays there: rows that jump are clicked wrong.
  const needed = useRef(new Set<number>())
  for (const { line, outcome } of report.lines) if (outcome === 'bad') needed.current.add(line)
  const rank = (line: Line) => Number(!needed.current.has(line.line))
  const badFirst = [...report.lines].sort((a, b) => rank(a) - rank(b) || a.line - b.line)
  return (
    <>
      <div className="mt-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <span>{sayCounts(counts)}</span>
        {counts.bad > 0 && (
          <Mark level="stop">{counts.bad === 1 ? 'one line needs you' : `${counts.bad} lines need you`}</Mark>
        )}
        {counts.bad === 0 && <Mark level="ok">every line is right</Mark>}
        {children}
      </div>
      {/* What was taken for the whole list changes every line of it: never out of sight. */}
      {report.assumptions.map((it) => (
        <p key={it} className="mt-2 text-[13px]">
          <Mark level="advise">{it}</Mark>
        </p>
      ))}
      <div className="overflow-x-auto">
        <table className="mt-3">
          <thead>
            <tr>
              <th scope="col">Line</th>
              <th scope="col">Tag</th>
              <th scope="col">Thing</th>
              <th scope="col">What becomes of it</th>
            </tr>
          </thead>
          <tbody>
            {badFirst.slice(0, shown).map((line) => (
              <tr key={line.line} className={line.outcome === 'bad' ? 'bg-stop-wash' : ''}>
                <td className="figures text-quiet">{line.line}</td>
                <td>
                  <Tag>{line.tag}</Tag>
                </td>
                <td className={line.outcome === 'left-out' ? 'text-quiet line-through' : ''}>{line.name}</td>
                <td>
                  <Outcome line={line} />
                  {line.problems.map((problem) => (
                    <ProblemLine
                      key={problem.text}
                      line={line.line}
                      problem={problem}
                      alike={listAlikeLines(report.lines, line, problem)}
                      onCorrect={correct}
                    />
                  ))}
                  {(line.outcome === 'bad' || line.outcome === 'left-out') && (
                    <CheckField
                      label={`Leave out line ${line.line}`}
                      checked={request.leaveOut.includes(line.line)}
                      onChange={(event) =>
                        onChange({ ...request, leaveOut: flip(request.leaveOut, line.line, event.target.checked) })
                      }
                    />
                  )}
                  {(request.asNew.includes(line.line) || line.outcome === 'same' || line.outcome === 'update') && (
                    <CheckField
                      label="It is a further one"
                      checked={request.asNew.includes(line.line)}
                      onChange={(event) =>
                        onChange({ ...request, asNew: flip(request.asNew, line.line, event.target.checked) })
                      }
                    />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {badFirst.length > shown && (
          <Button className="mt-3" onClick={() => setShown(shown + 5 * SHOWN)}>
            Show more of {badFirst.length} lines
          </Button>
        )}
      </div>
    </>
  )
}

function sayCounts({ things, stock, models, places, updates, same, repeats }: ImportReport['counts']): string {
  const parts = [
    [things, 'new thing', 'new things'],
    [stock, 'new kind of stock', 'new kinds of stock'],
    [updates, 'change', 'changes'],
    [same, 'here already', 'here already'],
    [repeats, 'said twice', 'said twice'],
    [models, 'new model', 'new models'],
    [places, 'new place', 'new places'],
  ] as const
  return (
    parts.flatMap(([count, one, many]) => (count > 0 ? [sayNumber(count, one, many)] : [])).join(', ') || 'Nothing new.'
  )
}

function Outcome({ line }: { line: Line }) {
  const outcome = OUTCOMES[line.outcome]
  return (
    <>
      {outcome && <Mark level={outcome.level}>{outcome.text}</Mark>}
      {line.adds.length > 0 && <span className="ml-3 text-[12px] text-quiet">adds {line.adds.join(', ')}</span>}
      {line.changes.map((it) => (
        <span key={it.field} className="block text-[12.5px]">
          {it.field}: <span className="text-quiet">{it.before || 'nothing'}</span> → {it.after}
        </span>
      ))}
      {line.remarks.map((it) => (
        <span key={it} className="block text-[12.5px] text-quiet">
          {it}
        </span>
      ))}
    </>
  )
}

/** What somebody has to say about a line; lines that ask the same are put right together. */
function ProblemLine({
  line,
  problem,
  alike,
  onCorrect,
}: {
  line: number
  problem: Problem
  alike: AlikeLines
  onCorrect(lines: readonly number[], column: InventoryColumn, value: string): void
}) {
  const { column } = problem
  const [text, setText] = useState(column === 'category' ? '' : problem.received)
  const label = `${column} of line ${line}`
  return (
    <div className="my-1 flex flex-wrap items-center gap-2">
      <Mark level="stop">{problem.text}</Mark>
      {column && (
        <form
          className="flex items-center gap-1"
          onSubmit={(event) => {
            event.preventDefault()
            onCorrect(alike.same, column, text)
          }}
        >
          {column === 'category' ? (
            <KindField
              isLabelHidden
              label={label}
              value={CATEGORY_CODES.find((code) => code === text) ?? ''}
              onChange={setText}
            />
          ) : (
            <input
              aria-label={label}
              className="h-9 w-36 rounded-paper border border-rule-strong bg-sheet px-2 text-[13px]"
              value={text}
              onChange={(event) => setText(event.target.value)}
            />
          )}
          <Button size="small" type="submit">
            {alike.same.length > 1 ? `Put right in all ${alike.same.length}` : 'Put right'}
          </Button>
          {column !== null && alike.sameWord.length > alike.same.length && (
            <Button size="small" onClick={() => onCorrect(alike.sameWord, column, text)}>
              {`In all ${alike.sameWord.length} that say “${problem.received}”`}
            </Button>
          )}
        </form>
      )}
    </div>
  )
}
