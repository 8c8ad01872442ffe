import { INVENTORY_COLUMNS } from '@exemplar/core'
import { useEffect, useState } from 'react'
import { useNavigate } from 'react-router'
import example from '../../../docs/examples/inventory.csv?url'
import { type ImportRequest, usePreviewImportMutation, useRunImportMutation } from '../foundation/api.ts'
import { Button } from '../foundation/button.tsx'
import { CheckField, FormProblem } from '../foundation/field.tsx'
import { Mark } from '../foundation/mark.tsx'
import { PageHead, Tag } from '../foundation/page-parts.tsx'
import { readProblem } from '../foundation/problem.ts'
import type { ImportReport } from '../foundation/replies.ts'
import { useAppDispatch } from '../foundation/store.ts'
import { tellDone } from '../foundation/tell-done.ts'

/** Reads UTF-8, and what older spreadsheets write where it is not. */
async function readText(file: File): Promise<string> {
  const bytes = await file.arrayBuffer()
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}

export function ImportPage() {
  const [request, setRequest] = useState<ImportRequest | null>(null)
  const [fileName, setFileName] = useState('')
  const [preview, { data: report, error, isLoading }] = usePreviewImportMutation()
  const [run, running] = useRunImportMutation()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()

  useEffect(() => {
    if (request) preview(request)
  }, [request, preview])

  const choose = async (file: File | undefined) => {
    if (!file) return
    setFileName(file.name)
    setRequest({ csv: await readText(file), leaveOut: [], corrections: [] })
  }
  const bringIn = async () => {
    if (!request) return
    const { counts } = await run(request).unwrap()
    tellDone(dispatch, `${counts.things} things and ${counts.stock} kinds of stock are in the kit.`)
    navigate('/kit')
  }
  const failed = error ?? running.error

  return (
    <>
      <PageHead title="Import a list" aside={fileName} />
      <div className="px-4 pt-3 pb-8 md:px-5">
        <p className="max-w-[75ch] text-quiet">
          Choose a CSV file. Nothing is written until you have seen what every line becomes; then all lines come in, or
          none. The first line names the columns; only <b className="text-ink">model</b> and{' '}
          <b className="text-ink">category</b> must be there.{' '}
          <a href={example} download="inventory.csv" className="underline underline-offset-2">
            An example file
          </a>
        </p>
        <details className="mt-1 text-[13px] text-quiet">
          <summary className="w-fit">All columns</summary>
          <p className="max-w-[75ch]">{INVENTORY_COLUMNS.join(', ')}</p>
        </details>
        <label className="mt-3 inline-flex items-center gap-3 text-[13px] font-semibold">
          Inventory file
          <input
            type="file"
            accept=".csv,text/csv"
            className="text-[13px] font-normal file:mr-3 file:h-[30px] file:rounded-paper file:border file:border-rule-strong file:bg-sheet file:px-3 file:font-semibold file:text-ink"
            onChange={(event) => choose(event.target.files?.[0])}
          />
        </label>
        {isLoading && !report && (
          <p role="status" className="mt-3 text-quiet">
            Reading the file …
          </p>
        )}
        <div className="mt-3">
          <FormProblem text={failed ? readProblem(failed).detail : null} />
        </div>
        {report && request && (
          <Report report={report} request={request} onChange={setRequest}>
            <Button
              look="act"
              disabled={!report.isClean || running.isLoading}
              onClick={() => bringIn().catch(() => {})}
            >
              Bring in {report.counts.things + report.counts.stock} lines
            </Button>
          </Report>
        )}
      </div>
    </>
  )
}

function Report({
  report,
  request,
  onChange,
  children,
}: {
  report: ImportReport
  request: ImportRequest
  onChange(request: ImportRequest): void
  children: React.ReactNode
}) {
  const { counts } = report
  if (report.fileProblems.length > 0) return <FormProblem text={report.fileProblems.join(' ')} />
  const leaveOut = (line: number, isOut: boolean) =>
    onChange({
      ...request,
      leaveOut: isOut ? [...request.leaveOut, line] : request.leaveOut.filter((it) => it !== line),
    })
  const correct = (line: number, column: string, value: string) =>
    onChange({
      ...request,
      corrections: [
        ...request.corrections.filter((it) => it.line !== line || it.column !== column),
        { line, column, value },
      ],
    })
  // What needs somebody stands on top; a line that was put right stays where it was in the file.
  const badFirst = [...report.lines].sort(
    (a, b) => Number(b.outcome === 'bad') - Number(a.outcome === 'bad') || a.line - b.line,
  )
  return (
    <>
      <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
        <span>
          {counts.things} things, {counts.stock} kinds of stock, {counts.models} new models, {counts.places} new places
        </span>
        {counts.bad > 0 && (
          <Mark level="stop">{counts.bad === 1 ? 'one line needs you' : `${counts.bad} lines need you`}</Mark>
        )}
        {counts.bad === 0 && <Mark level="ok">every line is right</Mark>}
        {children}
      </div>
      {report.unknownColumns.length > 0 && (
        <p className="mt-2 text-[13px] text-quiet">
          Not read, as no such column is known: {report.unknownColumns.join(', ')}.
        </p>
      )}
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
            {badFirst.map((line) => (
              <tr key={line.line} className={line.outcome === 'bad' ? 'bg-stop-wash' : ''}>
                <td className="figures text-quiet">{line.line}</td>
                <td>
                  <Tag>{line.tag}</Tag>
                </td>
                <td className={line.outcome === 'left-out' ? 'text-quiet line-through' : ''}>{line.name}</td>
                <td>
                  {line.outcome === 'thing' && <Mark level="ok">a thing</Mark>}
                  {line.outcome === 'stock' && <Mark level="ok">stock</Mark>}
                  {line.adds.length > 0 && (
                    <span className="ml-3 text-[12px] text-quiet">adds {line.adds.join(', ')}</span>
                  )}
                  {line.problems.map((problem) => (
                    <ProblemLine key={problem.text} line={line.line} problem={problem} onCorrect={correct} />
                  ))}
                  {(line.outcome === 'bad' || line.outcome === 'left-out') && (
                    <CheckField
                      label={`Leave out line ${line.line}`}
                      checked={line.outcome === 'left-out'}
                      onChange={(event) => leaveOut(line.line, event.target.checked)}
                    />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  )
}

function ProblemLine({
  line,
  problem,
  onCorrect,
}: {
  line: number
  problem: ImportReport['lines'][number]['problems'][number]
  onCorrect(line: number, column: string, value: string): void
}) {
  const [text, setText] = useState(problem.received)
  const { column } = problem
  return (
    <div className="my-1 flex flex-wrap items-center gap-2">
      <Mark level="stop">{problem.text}</Mark>
      {column && (
        <form
          className="flex gap-1"
          onSubmit={(event) => {
            event.preventDefault()
            onCorrect(line, column, text)
          }}
        >
          <input
            aria-label={`${column} of line ${line}`}
            className="h-[26px] w-36 rounded-paper border border-rule-strong bg-sheet px-2 text-[13px]"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
          <Button size="small" type="submit">
            Put right
          </Button>
        </form>
      )}
    </div>
  )
}
