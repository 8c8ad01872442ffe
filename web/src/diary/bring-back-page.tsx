import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useBookingQuery, useBringBackMutation } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellDone } from '../foundation/api/tell-done.ts'
import { FormProblem } from '../foundation/form/field.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Waiting } from '../foundation/parts/page-parts.tsx'
import { useScanHandler } from '../foundation/parts/scanning.ts'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { type FaultDraft, FaultForm } from '../kit/fault/fault-form.tsx'
import { FlowPage, FlowRow, keyOf, type Line } from './phone-flow.tsx'

/** Say of each thing that it is back, or what broke; what is still out at the end is missing. */
export function BringBackPage() {
  const { id = '' } = useParams()
  const { data: booking, error, refetch } = useBookingQuery(id)
  const [back, setBack] = useState<ReadonlyMap<string, FaultDraft | null>>(new Map())
  const [asking, setAsking] = useState<Line | null>(null)
  const [isEnding, setEnding] = useState(false)
  const [bringBack, bringing] = useBringBackMutation()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  useScanHandler((tag) => {
    const line = booking?.sheet.stops.flatMap((stop) => stop.lines).find((it) => it.tag === tag && it.state === 'out')
    if (!line) return false
    setBack(new Map([...back, [keyOf(line), back.get(keyOf(line)) ?? null]]))
    return true
  })
  if (!booking) return <Waiting what="the sheet" error={error} onRetry={refetch} />
  const lines = booking.sheet.stops.flatMap((stop) => stop.lines).filter((line) => line.state === 'out')
  const missing = lines.filter((line) => !back.has(keyOf(line))).length
  const mark = (line: Line, fault: FaultDraft | null) => setBack(new Map(back).set(keyOf(line), fault))
  const unmark = (line: Line) => {
    const next = new Map(back)
    next.delete(keyOf(line))
    setBack(next)
  }
  const finish = async (isFinished: boolean) => {
    const items = lines
      .filter((line) => back.has(keyOf(line)))
      .map((line) => ({ unitId: line.unitId, stockId: line.stockId, fault: back.get(keyOf(line)) ?? null }))
    const reply = await bringBack({ id, version: booking.version, body: { items, isFinished } }).unwrap()
    const faults = items.filter((it) => it.fault).length
    tellDone(
      dispatch,
      `${items.length} back${faults ? `, ${faults} with a fault` : ''}${isFinished && missing ? `, ${missing} missing` : ''}.`,
      reply,
    )
    navigate(isFinished ? '/today' : `/diary/${id}`)
  }
  return (
    <FlowPage
      booking={booking}
      title="Bring back"
      aside={`${lines.length - missing} of ${lines.length} back`}
      foot={
        <>
          <Button
            size="thumb"
            className="flex-1"
            disabled={back.size === 0 || bringing.isLoading}
            onClick={() => finish(false).catch(() => {})}
          >
            More to come
          </Button>
          <Button
            size="thumb"
            look="act"
            className="flex-1"
            disabled={bringing.isLoading || lines.length === 0}
            onClick={() => (missing > 0 ? setEnding(true) : finish(true).catch(() => {}))}
          >
            {missing > 0 ? `Finish, ${missing} missing` : 'Finish'}
          </Button>
        </>
      }
    >
      <FormProblem text={bringing.error ? readProblem(bringing.error).detail : null} />
      {lines.length === 0 && <p className="p-4 text-quiet">Nothing of this booking is out.</p>}
      <ul>
        {lines.map((line) => {
          const isBack = back.has(keyOf(line))
          const fault = back.get(keyOf(line))
          return (
            <FlowRow key={keyOf(line) + line.role} line={line} isDone={isBack}>
              {isBack ? (
                <button
                  type="button"
                  className="min-h-11 px-2"
                  aria-label={`${line.tag} is back; press to take that back`}
                  onClick={() => unmark(line)}
                >
                  <Mark level={fault ? 'warn' : 'ok'}>{fault ? 'back, fault' : 'back'}</Mark>
                </button>
              ) : (
                <>
                  <Button size="thumb" look="act" aria-label={`${line.tag} back`} onClick={() => mark(line, null)}>
                    Back
                  </Button>
                  {line.unitId && (
                    <Button size="thumb" aria-label={`Fault on ${line.tag}`} onClick={() => setAsking(line)}>
                      Fault
                    </Button>
                  )}
                </>
              )}
            </FlowRow>
          )
        })}
      </ul>
      <SheetDialog
        open={isEnding}
        onClose={() => setEnding(false)}
        title={missing === 1 ? 'One thing has not come back' : `${missing} things have not come back`}
        description="They count as missing and leave every setup’s reckoning until they turn up."
      >
        <p className="mb-3 font-mono text-[13px]">
          {lines
            .filter((line) => !back.has(keyOf(line)))
            .map((line) => line.tag)
            .join(', ')}
        </p>
        <Button size="thumb" look="act" disabled={bringing.isLoading} onClick={() => finish(true).catch(() => {})}>
          Finish all the same
        </Button>
      </SheetDialog>
      <SheetDialog open={asking !== null} onClose={() => setAsking(null)} title={`A fault on ${asking?.tag ?? ''}`}>
        <FaultForm
          act="It is back, with this fault"
          onSave={(draft) => {
            if (asking) mark(asking, draft)
            setAsking(null)
          }}
        />
      </SheetDialog>
    </FlowPage>
  )
}
