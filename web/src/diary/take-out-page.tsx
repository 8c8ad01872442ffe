import { sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useBookingQuery, useTakeOutMutation } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellDone } from '../foundation/api/tell-done.ts'
import { FormProblem } from '../foundation/form/field.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Waiting } from '../foundation/parts/page-parts.tsx'
import { useScanHandler } from '../foundation/parts/scanning.ts'
import { FlowPage, FlowRow, keyOf } from './phone-flow.tsx'

/** Something that was ticked is out on another booking. */
function isOutElsewhere(error: unknown): boolean {
  const { data } = (error ?? {}) as { data?: { report?: { outElsewhere?: unknown } } }
  return data?.report?.outElsewhere !== undefined
}

/** Tick what truly leaves. */
export function TakeOutPage() {
  const { id = '' } = useParams()
  const { data: booking, error, refetch } = useBookingQuery(id)
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set())
  const [takeOut, taking] = useTakeOutMutation()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  useScanHandler((tag) => {
    const line = booking?.sheet.stops.flatMap((stop) => stop.lines).find((it) => it.tag === tag)
    if (!line) return false
    setTicked(new Set([...ticked, keyOf(line)]))
    return true
  })
  if (!booking) return <Waiting what="the sheet" error={error} onRetry={refetch} />
  const lines = booking.sheet.stops.flatMap((stop) => stop.lines)
  const keys = [...new Set(lines.map(keyOf))]
  const toggle = (key: string) => {
    const next = new Set(ticked)
    if (!next.delete(key)) next.add(key)
    setTicked(next)
  }
  const finish = async (takeOver = false) => {
    const items = lines.filter((line) => ticked.has(keyOf(line))).map(({ unitId, stockId }) => ({ unitId, stockId }))
    const reply = await takeOut({ id, version: booking.version, body: { items, takeOver } }).unwrap()
    tellDone(dispatch, `${booking.title}: ${sayNumber(ticked.size, 'line')} out.`, reply)
    navigate(`/diary/${id}`)
  }
  return (
    <FlowPage
      booking={booking}
      title="Take out"
      aside={`${ticked.size} of ${keys.length}`}
      foot={
        <>
          <Button size="thumb" className="flex-1" onClick={() => setTicked(new Set(keys))}>
            Tick all
          </Button>
          <Button
            size="thumb"
            look="act"
            className="flex-1"
            disabled={ticked.size === 0 || taking.isLoading}
            onClick={() => finish().catch(() => {})}
          >
            Take out {ticked.size}
          </Button>
        </>
      }
    >
      <FormProblem text={taking.error ? readProblem(taking.error).detail : null} />
      {isOutElsewhere(taking.error) && (
        <div className="px-4 pb-3">
          <Button size="thumb" disabled={taking.isLoading} onClick={() => finish(true).catch(() => {})}>
            They were handed over: take them on
          </Button>
        </div>
      )}
      {booking.sheet.stops.map((stop) => (
        <section key={stop.place} aria-label={stop.place}>
          <h2 className="px-4 pt-4 pb-1">{stop.place}</h2>
          <ul className="border-t border-rule">
            {stop.lines.map((line) => {
              const key = keyOf(line)
              const isTicked = ticked.has(key)
              return (
                <FlowRow key={key + line.role} line={line} isDone={isTicked}>
                  {isTicked && (
                    <span className="self-center">
                      <Mark level="ok">with me</Mark>
                    </span>
                  )}
                  <Button
                    size="thumb"
                    look={isTicked ? 'plain' : 'act'}
                    aria-pressed={isTicked}
                    aria-label={`${isTicked ? 'Leave' : 'Take'} ${line.tag}`}
                    onClick={() => toggle(key)}
                  >
                    {isTicked ? 'Leave' : 'Take'}
                  </Button>
                </FlowRow>
              )
            })}
          </ul>
        </section>
      ))}
    </FlowPage>
  )
}
