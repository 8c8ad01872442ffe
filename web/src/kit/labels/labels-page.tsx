import {
  type CodeKind,
  LABEL_SHEET_CODES,
  LABEL_SHEETS,
  type LabelSheet,
  type LabelSheetCode,
  layOutLabels,
} from '@exemplar/core'
import { Printer } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { CheckField, SelectField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { keepText } from '../../foundation/parts/keep-text.ts'
import { Empty, PageHead, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { Label, type LabelFacts } from './label.tsx'
import { BATCH, hasTwoEnds, LABEL_SOURCES, type LabelSource, useLabelled } from './use-labelled.ts'

/** Sheets of labels for things: chosen, laid out, looked at, printed or kept as SVG. */
export function LabelsPage() {
  const [params] = useSearchParams()
  const [find, setFind] = useState(params.get('find') ?? '')
  const [sheetCode, setSheetCode] = useState<LabelSheetCode>('a4-24')
  const [kind, setKind] = useState<CodeKind>('qr')
  const [skip, setSkip] = useState('0')
  const [withTape, setWithTape] = useState(true)
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const [source, setSource] = useState<LabelSource>('things')
  /** Where each batch that was looked at began; the last one is shown. */
  const [starts, setStarts] = useState<readonly (string | null)[]>([null])
  const { data, error, refetch } = useLabelled(source, find.trim(), starts.at(-1) ?? null)
  const sheet: LabelSheet = LABEL_SHEETS[sheetCode]
  const chosen = useMemo(
    () =>
      (data?.rows ?? [])
        .filter((it) => !left.has(it.id))
        .flatMap(({ tag, name, tape }): LabelFacts[] => {
          const facts = { tag, name, tape: withTape ? tape : null }
          return hasTwoEnds(source) ? [facts, facts] : [facts]
        }),
    [data, left, withTape, source],
  )
  const used = /^\d{1,3}$/.test(skip) ? Number(skip) : 0
  const toggle = (id: string) => {
    const next = new Set(left)
    if (!next.delete(id)) next.add(id)
    setLeft(next)
  }
  if (!data) return <Waiting what="the things" error={error} onRetry={refetch} />
  return (
    <>
      <style>{`@media print { @page { size: ${sheet.pageWidthMm}mm ${sheet.pageHeightMm}mm; margin: 0 } body { background: #fff } }`}</style>
      <div className="no-print">
        <PageHead
          title="Labels"
          aside={`${chosen.length} labels${starts.length > 1 || data.next ? `, batch ${starts.length}` : ''}`}
        >
          <Button look="act" disabled={chosen.length === 0} onClick={() => window.print()}>
            <Printer aria-hidden />
            Print, or save as PDF
          </Button>
        </PageHead>
      </div>
      <div className="grid gap-6 px-4 pt-3 pb-8 md:px-5 lg:grid-cols-[320px_1fr] print:block print:p-0">
        <div className="no-print grid content-start gap-3">
          <SelectField
            label="For what"
            value={source}
            onChange={(event) => {
              setSource(event.target.value as LabelSource)
              setStarts([null])
            }}
          >
            {Object.entries(LABEL_SOURCES).map(([code, label]) => (
              <option key={code} value={code}>
                {label}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Which things"
            placeholder="Tag or name; empty is all"
            value={find}
            onChange={(event) => {
              setFind(event.target.value)
              setStarts([null])
            }}
          />
          <SelectField
            label="Sheet"
            hint="Hold a print on plain paper against your sheet first."
            value={sheetCode}
            onChange={(event) => setSheetCode(event.target.value as LabelSheetCode)}
          >
            {LABEL_SHEET_CODES.map((code) => (
              <option key={code} value={code}>
                {LABEL_SHEETS[code].label}
              </option>
            ))}
          </SelectField>
          <div className="grid grid-cols-[3fr_2fr] gap-3">
            <SelectField label="Code" value={kind} onChange={(event) => setKind(event.target.value as CodeKind)}>
              <option value="qr">Square, for phones</option>
              <option value="code128">Bars, for scanners</option>
            </SelectField>
            <TextField
              label="Labels used already"
              inputMode="numeric"
              value={skip}
              problem={/^\d{0,3}$/.test(skip) ? undefined : 'Write a whole number.'}
              onChange={(event) => setSkip(event.target.value)}
            />
          </div>
          <CheckField
            label="With the tape of its setup"
            checked={withTape}
            onChange={(event) => setWithTape(event.target.checked)}
          />
          {(data.next || starts.length > 1) && (
            <div className="flex gap-2">
              <Button size="small" disabled={starts.length === 1} onClick={() => setStarts(starts.slice(0, -1))}>
                Batch before
              </Button>
              <Button size="small" disabled={!data.next} onClick={() => setStarts([...starts, data.next])}>
                Next {BATCH}
              </Button>
            </div>
          )}
          <ul className="max-h-[46vh] overflow-y-auto border-t border-rule">
            {data.rows.map((it) => (
              <li key={it.id} className="border-b border-rule py-1">
                <CheckField
                  label={
                    <>
                      <Tag>{it.tag}</Tag> {it.name}
                    </>
                  }
                  checked={!left.has(it.id)}
                  onChange={() => toggle(it.id)}
                />
              </li>
            ))}
          </ul>
        </div>
        <Sheets sheet={sheet} labels={chosen} kind={kind} skip={used} />
      </div>
    </>
  )
}

function Sheets({
  sheet,
  labels,
  kind,
  skip,
}: {
  sheet: LabelSheet
  labels: readonly LabelFacts[]
  kind: CodeKind
  skip: number
}) {
  if (labels.length === 0) return <Empty title="No label">Tick a thing, or look for another name.</Empty>
  const spots = layOutLabels(sheet, labels.length, skip)
  const pages = Math.max(...spots.map((it) => it.page)) + 1
  return (
    <div className="grid gap-4 overflow-x-auto print:block print:overflow-visible">
      {Array.from({ length: pages }, (_, page) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a sheet has no name but its number
        <figure key={page} className="min-w-0 break-after-page">
          <figcaption className="no-print mb-1 flex items-center gap-3 text-[12px] text-quiet">
            Sheet {page + 1} of {pages}
            <Button
              size="small"
              onClick={(event) => keepAsSvg(event.currentTarget.closest('figure')?.querySelector('svg'), page)}
            >
              Keep as SVG
            </Button>
          </figcaption>
          <svg
            role="img"
            aria-label={`Sheet ${page + 1} of labels`}
            className="border border-rule bg-white text-black print:border-0"
            width={`${sheet.pageWidthMm}mm`}
            height={`${sheet.pageHeightMm}mm`}
            viewBox={`0 0 ${sheet.pageWidthMm} ${sheet.pageHeightMm}`}
          >
            {labels.map((facts, at) => {
              const spot = spots[at]
              return spot?.page === page ? (
                // biome-ignore lint/suspicious/noArrayIndexKey: both ends of a cable have the same label
                <Label key={at} sheet={sheet} facts={facts} kind={kind} {...spot} />
              ) : null
            })}
          </svg>
        </figure>
      ))}
    </div>
  )
}

/** The sheet as a file of its own: colours and faces that the page names are written out. */
function keepAsSvg(svg: SVGSVGElement | null | undefined, page: number): void {
  if (!svg) return
  const styles = getComputedStyle(document.documentElement)
  const text = new XMLSerializer()
    .serializeToString(svg)
    .replace(/var\((--[\w-]+)\)/g, (_, name: string) => styles.getPropertyValue(name).trim().replaceAll('"', "'"))
  keepText(`labels-${page + 1}.svg`, text, 'image/svg+xml')
}
