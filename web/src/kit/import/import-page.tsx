import { type ImportReport, sayNumber } from '@exemplar/core'
import { useEffect, useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import example from '../../../../docs/examples/inventory.csv?url'
import { type ImportRequest, usePreviewImportMutation } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellDone } from '../../foundation/api/tell-done.ts'
import { FormProblem } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { PageHead } from '../../foundation/parts/page-parts.tsx'
import { ImportColumns } from './import-columns.tsx'
import { ImportReportTable } from './import-report.tsx'
import { KitFilePanel } from './kit-file-panel.tsx'
import { bringIn } from './told-import.ts'

/** Reads UTF-8, and what older spreadsheets write where it is not. */
async function readText(file: File): Promise<string> {
  const bytes = await file.arrayBuffer()
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return new TextDecoder('windows-1252').decode(bytes)
  }
}

const NO_CHOICES = { leaveOut: [], asNew: [], corrections: [], columns: null }

export function ImportPage() {
  const [request, setRequest] = useState<ImportRequest | null>(null)
  const [kitFile, setKitFile] = useState<string | null>(null)
  const [fileName, setFileName] = useState('')
  const [preview, { error, isLoading }] = usePreviewImportMutation()
  /** The last report stays while the next one is made: what somebody types into it meanwhile must not be lost. */
  const [report, setReport] = useState<ImportReport | null>(null)
  const running = useBringIn()

  useEffect(() => {
    if (!request) return
    let isLatest = true
    preview(request)
      .unwrap()
      .then((it) => isLatest && setReport(it))
      .catch(() => {})
    return () => {
      isLatest = false
    }
  }, [request, preview])

  const choose = async (file: File | undefined) => {
    if (!file) return
    const text = await readText(file)
    const isKitFile = /^\uFEFF?\s*\{/.test(text)
    setFileName(file.name)
    setReport(null)
    setKitFile(isKitFile ? text : null)
    setRequest(isKitFile ? null : { csv: text, ...NO_CHOICES })
  }
  const fresh = report ? report.counts.things + report.counts.stock + report.counts.updates : 0

  return (
    <>
      <PageHead title="Import a list" aside={fileName} />
      <div className="px-4 pt-3 pb-8 md:px-5">
        <p className="max-w-[75ch] text-quiet">
          Choose the list you have, saved as CSV, or a kit file (JSON). Nothing is written until you have seen what
          every line becomes; then all lines come in, or none. The same list again changes nothing; a changed one
          changes what it says.{' '}
          <a href={example} download="inventory.csv" className="underline underline-offset-2">
            An example list
          </a>
        </p>
        <label className="mt-3 inline-flex flex-wrap items-center gap-3 text-[13px] font-semibold">
          Inventory file
          <input
            type="file"
            accept=".csv,text/csv,.json,application/json,.txt,.tsv"
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
          <FormProblem text={error ? readProblem(error).detail : running.problem} />
        </div>
        {kitFile !== null && <KitFilePanel key={kitFile.length} text={kitFile} />}
        {report && request && (
          <>
            {report.fileProblems.length > 0 && <FormProblem text={report.fileProblems.join(' ')} />}
            <ImportColumns report={report} onChange={(columns) => setRequest({ ...request, columns })} />
            {report.fileProblems.length === 0 && (
              <ImportReportTable report={report} request={request} onChange={setRequest}>
                {running.share === null ? (
                  <Button look="act" disabled={!report.isClean || fresh === 0} onClick={() => running.begin(request)}>
                    {fresh === 0 && report.isClean ? 'Nothing in it is new' : `Bring in ${sayNumber(fresh, 'line')}`}
                  </Button>
                ) : (
                  <span role="status" className="flex items-center gap-3">
                    <progress className="w-40 accent-(--ink)" max={1} value={running.share} aria-label="Bringing in" />
                    {Math.round(running.share * 100)} % read
                    <Button onClick={running.cancel}>Break off</Button>
                  </span>
                )}
              </ImportReportTable>
            )}
          </>
        )}
      </div>
    </>
  )
}

/** An import under way: how far it is, and a way to break it off that leaves nothing. */
function useBringIn() {
  const [share, setShare] = useState<number | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const leave = useRef<AbortController | null>(null)
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const begin = async (request: ImportRequest) => {
    leave.current = new AbortController()
    setShare(0)
    setProblem(null)
    try {
      const report = await bringIn(request, leave.current.signal, setShare, dispatch)
      if (!report) return
      const { things, stock, updates } = report.counts
      const parts = [
        things && sayNumber(things, 'thing'),
        stock && sayNumber(stock, 'kind of stock', 'kinds of stock'),
        updates && sayNumber(updates, 'change'),
      ].filter((it) => it !== 0)
      tellDone(
        dispatch,
        things + stock + updates === 0 ? 'All of it was here already.' : `In the kit: ${parts.join(', ')}.`,
        report,
      )
      navigate('/kit')
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be brought in.')
    } finally {
      setShare(null)
    }
  }
  return { share, problem, begin, cancel: () => leave.current?.abort() }
}
