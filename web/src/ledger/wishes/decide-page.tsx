import {
  CALCULATOR_CODES,
  CALCULATORS,
  type CalculatorCode,
  type CalculatorField,
  type Decision,
  formatMoney,
  listInWords,
  listLacking,
  reckon,
} from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { MoneyField } from '../../foundation/form/money-field.tsx'
import { NumberField } from '../../foundation/form/number-field.tsx'
import { SavingFoot } from '../../foundation/form/saving-foot.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { PageHead, Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { WorkingPaper } from '../../foundation/parts/working-paper.tsx'
import { sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useCorrectDecisionMutation, useDecisionsQuery, useKeepDecisionMutation } from './decision-api.ts'
import { LedgerTabs } from './ledger-tabs.tsx'

type Figures = Record<string, number | null>
const fieldsOf = (code: CalculatorCode) => Object.entries<CalculatorField>(CALCULATORS[code].fields)
const makeFigures = (code: CalculatorCode): Figures =>
  Object.fromEntries(fieldsOf(code).map(([key, { start }]) => [key, start]))

/** Questions about money that come up again and again, reckoned on the studio’s own figures, and what was decided. */
export function DecidePage() {
  const { data: studio } = useStudioQuery()
  const { data: decisions, error, refetch } = useDecisionsQuery()
  const [code, setCode] = useState<CalculatorCode>('cheap-or-good')
  const [correcting, setCorrecting] = useState<Decision | null>(null)
  if (!studio || !decisions) return <Waiting what="what was decided" error={error} onRetry={refetch} />
  const { currency } = studio
  return (
    <>
      <PageHead title="Decide">
        <Button onClick={() => window.print()}>Print</Button>
      </PageHead>
      <LedgerTabs />
      <div className="px-4 pb-16 md:px-5">
        <div className="no-print mt-3 max-w-[360px]">
          <SelectField
            label="Question"
            value={code}
            onChange={(event) => setCode(event.target.value as CalculatorCode)}
          >
            {CALCULATOR_CODES.map((it) => (
              <option key={it} value={it}>
                {CALCULATORS[it].title}
              </option>
            ))}
          </SelectField>
        </div>
        <div className="no-print">
          <DecisionForm key={code} code={code} currency={currency} decision={null} onDone={() => {}} />
        </div>
        <Section title="Decided" aside={String(decisions.length)}>
          {decisions.length === 0 && (
            <p className="py-2 text-[13px] text-quiet">
              Nothing was kept yet. A decision that is kept with its figures and its reason can be looked at again when
              the figures change.
            </p>
          )}
          <ul>
            {decisions.map((it) => (
              <Decided key={it.id} decision={it} currency={currency} onCorrect={() => setCorrecting(it)} />
            ))}
          </ul>
        </Section>
      </div>
      <SheetDialog
        open={correcting !== null}
        onClose={() => setCorrecting(null)}
        wide
        title={correcting ? `Correct: ${correcting.about}` : ''}
      >
        {correcting && (
          <DecisionForm
            code={correcting.calculator}
            currency={currency}
            decision={correcting}
            onDone={() => setCorrecting(null)}
          />
        )}
      </SheetDialog>
    </>
  )
}

/** One question with its figures, what comes of them, and the way that is taken. */
function DecisionForm({
  code,
  currency,
  decision,
  onDone,
}: {
  code: CalculatorCode
  currency: string
  /** The one that is corrected; null keeps a new one. */
  decision: Decision | null
  onDone(): void
}) {
  const { today } = useTimeWords()
  const [figures, setFigures] = useState<Figures>(() => ({ ...makeFigures(code), ...decision?.figures }))
  const [about, setAbout] = useState(decision?.about ?? '')
  const [way, setWay] = useState(decision?.way ?? '')
  const [reason, setReason] = useState(decision?.reason ?? '')
  const [round, setRound] = useState(0)
  /** Fields that cannot be read: nothing is told while there is one. */
  const [unread, setUnread] = useState<ReadonlySet<string>>(new Set())
  const [keep] = useKeepDecisionMutation()
  const [correct] = useCorrectDecisionMutation()
  const may = useMay()
  const saving = useSaving(() => {
    if (!decision) {
      setFigures(makeFigures(code))
      setAbout('')
      setWay('')
      setReason('')
      setRound(round + 1)
    }
    onDone()
  })
  const say = (minor: number) => formatMoney(minor, currency)
  const result = unread.size > 0 ? null : reckon(code, figures, say)
  const lacking = listLacking(code, figures)
  const fields = saving.problem?.fields
  const save = (version = decision?.version ?? 0) => {
    const body = { calculator: code, about, figures, way, reason, on: decision?.on ?? today }
    saving.save(
      () => (decision ? correct({ id: decision.id, version, body }).unwrap() : keep(body).unwrap()),
      `${about} is kept.`,
    )
  }
  return (
    <form
      key={round}
      className="mt-3 grid max-w-[860px] gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        save()
      }}
    >
      <div className="grid gap-3 md:grid-cols-3">
        {fieldsOf(code).map(([key, field]) => (
          <FigureField
            key={key}
            field={field}
            value={figures[key] ?? null}
            onChange={(value) => {
              setFigures({ ...figures, [key]: value })
              setUnread(new Set([...unread].filter((it) => it !== key)))
            }}
            onUnread={() => setUnread(new Set([...unread, key]))}
          />
        ))}
      </div>
      <div aria-live="polite">
        {result ? (
          <>
            <p className="py-1 font-semibold">{result.says}</p>
            <WorkingPaper words={{ title: CALCULATORS[code].title, summary: '', ...result }} />
          </>
        ) : (
          <p className="text-[13px] text-quiet">
            {unread.size > 0
              ? 'One of the figures cannot be read.'
              : lacking.length > 0
                ? `Nothing can be told without: ${listInWords(lacking.map((it) => it.toLowerCase()))}.`
                : 'A time of nothing, or a price of nothing, tells nothing.'}
          </p>
        )}
      </div>
      {may('change-ledger') && (
        <fieldset className="grid gap-3 border-t border-rule pt-3 md:grid-cols-2">
          <legend className="sr-only">Keep the decision</legend>
          <TextField
            label="What it is about"
            value={about}
            problem={fields?.about}
            onChange={(event) => setAbout(event.target.value)}
          />
          <SelectField
            label="Decided"
            value={way}
            problem={fields?.way}
            onChange={(event) => setWay(event.target.value)}
          >
            <option value="">Not yet</option>
            {CALCULATORS[code].ways.map((it) => (
              <option key={it} value={it}>
                {it}
              </option>
            ))}
          </SelectField>
          <div className="md:col-span-2">
            <TextField
              label="Why"
              value={reason}
              problem={fields?.reason}
              onChange={(event) => setReason(event.target.value)}
            />
          </div>
          <div className="grid gap-3 md:col-span-2">
            <SavingFoot saving={saving} act="Keep the decision" onMine={save} onTheirs={onDone} />
          </div>
        </fieldset>
      )}
    </form>
  )
}

function Decided({ decision, currency, onCorrect }: { decision: Decision; currency: string; onCorrect(): void }) {
  const result = reckon(decision.calculator, decision.figures, (minor) => formatMoney(minor, currency))
  const may = useMay()
  return (
    <li className="flex flex-wrap items-start gap-x-4 gap-y-1 border-b border-rule py-2 text-[13px]">
      <span className="min-w-0 flex-1 basis-72">
        <b>
          {decision.about}: {decision.way}
        </b>
        <span className="block">{decision.reason}</span>
        <span className="block text-quiet">
          {sayDayWithYear(decision.on)} · {CALCULATORS[decision.calculator].title} {result?.says}
        </span>
      </span>
      {may('change-ledger') && (
        <Button size="small" className="no-print" aria-label={`Correct: ${decision.about}`} onClick={onCorrect}>
          Correct
        </Button>
      )}
    </li>
  )
}

/** A figure typed as its kind is; null where nobody said. */
function FigureField({
  field: { kind, label, hint, most = 1e9 },
  value,
  onChange,
  onUnread,
}: {
  field: CalculatorField
  value: number | null
  onChange(value: number | null): void
  onUnread(): void
}) {
  const own = { label, value, onChange, onUnread, ...(hint ? { hint } : {}) }
  return kind === 'money' ? <MoneyField {...own} /> : <NumberField {...own} most={most} isWhole={kind === 'count'} />
}
