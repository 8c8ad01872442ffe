import {
  type BookingReply,
  formatMass,
  formatMinutes,
  type NewBooking,
  sayAbsence,
  sayNumber,
  sayVerdict,
} from '@exemplar/core'
import { Printer } from 'lucide-react'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import {
  useBookingQuery,
  useBookingTroublesQuery,
  useChangeBookingMutation,
  useReadinessQuery,
  useSetupQuery,
} from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellDone } from '../foundation/api/tell-done.ts'
import { tellTrouble } from '../foundation/api/toasts.ts'
import { type Conflict, ConflictPanel, readConflict } from '../foundation/form/conflict.tsx'
import { Button, ButtonLink } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Empty, Section, Tag, Waiting } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { TapeStrip } from '../foundation/parts/tape.tsx'
import { sayTime, sayWall } from '../foundation/words/calendar-words.ts'
import { useTimeWords } from '../foundation/words/time-words.ts'
import { useBookingChangeOverQuery } from '../setups/rig-api.ts'
import { useSetupChanges } from '../setups/use-setup-changes.ts'
import { ChangeOverSteps } from '../setups/views/change-over-steps.tsx'
import { BookingForm, toFormDraft } from './booking-form.tsx'
import { BookingTroubles } from './booking-troubles.tsx'

function toBody(booking: BookingReply, state: NewBooking['state']): NewBooking {
  const { kind, title, setupId, unitIds, placeId, personIds, startsAt, endsAt, rigMinutes, strikeMinutes } = booking
  const { note, partyId, feeMinor, needsFloor, sky } = booking
  return {
    kind,
    title,
    setupId,
    unitIds,
    placeId,
    personIds,
    startsAt,
    endsAt,
    rigMinutes,
    strikeMinutes,
    note,
    partyId,
    feeMinor,
    needsFloor,
    sky,
    state,
  }
}

/** A booking: what stands in its way, and its pack sheet, on screen and on paper. */
export function BookingPage() {
  const { id = '' } = useParams()
  const { data: booking, error, refetch } = useBookingQuery(id)
  /** The version that the open form was made from. */
  const [edited, setEdited] = useState<number | null>(null)
  const [conflict, setConflict] = useState<{ conflict: Conflict; body: NewBooking } | null>(null)
  const [change, changing] = useChangeBookingMutation()
  const dispatch = useAppDispatch()
  const may = useMay()
  if (!booking) return <Waiting what="the booking" error={error} onRetry={refetch} />
  const isPlan = booking.state === 'pencilled' || booking.state === 'confirmed'
  const canChange = isPlan && (may('change-bookings') || (booking.state === 'pencilled' && may('book-pencilled')))
  const close = () => {
    setEdited(null)
    setConflict(null)
  }
  const changeTo = async (body: NewBooking, text: string, version = booking.version) => {
    try {
      tellDone(dispatch, text, await change({ id, version, body }).unwrap())
      close()
    } catch (problem) {
      const clash = edited === null ? null : readConflict(problem)
      setConflict(clash && { conflict: clash, body })
      if (clash) return
      dispatch(tellTrouble(readProblem(problem).detail))
    }
  }
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 pt-4 md:px-5">
        {booking.setup && (
          <Link to={`/setups/${booking.setup.id}`}>
            <TapeStrip code={booking.setup.code} tape={booking.setup.tape} name={booking.setup.name} />
          </Link>
        )}
        <h1>{booking.title}</h1>
        <div className="no-print flex flex-wrap gap-2 md:ml-auto">
          {canChange && <Button onClick={() => setEdited(booking.version)}>Change</Button>}
          {booking.state === 'pencilled' && may('change-bookings') && (
            <Button onClick={() => changeTo(toBody(booking, 'confirmed'), `${booking.title} is confirmed.`)}>
              Confirm
            </Button>
          )}
          {canChange && (
            <Button onClick={() => changeTo(toBody(booking, 'cancelled'), `${booking.title} is cancelled.`)}>
              Cancel it
            </Button>
          )}
          {booking.setup && <ButtonLink to={`/setups/${booking.setup.id}/start?booking=${id}`}>Preflight</ButtonLink>}
          <Button onClick={() => window.print()}>
            <Printer aria-hidden />
            Print
          </Button>
          {isPlan && may('take-out') && (
            <ButtonLink look="act" to={`/diary/${id}/take-out`}>
              Take out
            </ButtonLink>
          )}
          {booking.state === 'out' && may('bring-back') && (
            <ButtonLink look="act" to={`/diary/${id}/bring-back`}>
              Bring back
            </ButtonLink>
          )}
        </div>
      </div>
      <div className="px-4 pb-8 md:px-5">
        <p className="mt-1 text-quiet">
          {sayWall(booking.startsAt)} to{' '}
          {booking.endsAt.slice(0, 10) === booking.startsAt.slice(0, 10)
            ? sayTime(booking.endsAt)
            : sayWall(booking.endsAt)}
          {booking.rigMinutes > 0 && `, rig ${booking.rigMinutes} min before`}
          {booking.strikeMinutes > 0 && `, strike ${booking.strikeMinutes} min after`}
          {booking.place && ` · ${booking.place}`}
          {booking.people.length > 0 && ` · ${booking.people.join(', ')}`} · <b className="text-ink">{booking.state}</b>
        </p>
        {isPlan && (
          <div className="no-print">
            <Troubles booking={booking} />
            <ComesAfter booking={booking} />
          </div>
        )}
        <Sheet booking={booking} />
      </div>
      <SheetDialog open={edited !== null} onClose={close} wide title="Change the booking">
        {conflict && (
          <ConflictPanel
            conflict={conflict.conflict}
            onMine={(version) => changeTo(conflict.body, `${conflict.body.title} saved.`, version)}
            onTheirs={close}
          />
        )}
        <BookingForm
          initial={toFormDraft(toBody(booking, 'pencilled'))}
          state={booking.state === 'confirmed' ? 'confirmed' : 'pencilled'}
          except={id}
          knownTags={new Map(booking.sheet.stops.flatMap((stop) => stop.lines.map((it) => [it.unitId ?? '', it.tag])))}
          act="Save"
          problem={changing.error && !conflict ? readProblem(changing.error) : null}
          onSave={(body) => changeTo(body, `${body.title} saved.`, edited ?? booking.version)}
        />
      </SheetDialog>
    </>
  )
}

function Troubles({ booking }: { booking: BookingReply }) {
  const { data: check } = useBookingTroublesQuery(booking.id)
  const { data: setup } = useSetupQuery(booking.setupId ?? '', { skip: !booking.setupId })
  const { data: readiness } = useReadinessQuery(
    { id: booking.setupId ?? '', bookingId: booking.id },
    { skip: !booking.setupId },
  )
  const { carryOut } = useSetupChanges(setup)
  const may = useMay()
  return (
    <Section title="Can it run?" aside="things, room, people, and the setup itself">
      <div className="mt-2 grid gap-2">
        {readiness && booking.setup && (
          <p>
            <Mark level={readiness.level}>{sayVerdict(readiness)}</Mark>{' '}
            <Link to={`/setups/${booking.setup.id}`} className="ml-2 text-[13px] underline underline-offset-2">
              Open the setup
            </Link>
          </p>
        )}
        {check && (
          <BookingTroubles
            check={check}
            setup={setup}
            onSwap={may('change-setups') ? (remedy) => carryOut(remedy, booking.title) : undefined}
          />
        )}
      </div>
    </Section>
  )
}

/** The way from what is shot in the room before, where that is another setup. */
function ComesAfter({ booking }: { booking: BookingReply }) {
  const { data } = useBookingChangeOverQuery(booking.id, { skip: !booking.setupId || !booking.placeId })
  const plan = data?.before
  if (!plan) return null
  return (
    <Section title={`Change-over from ${plan.from.title}`} aside={formatMinutes(plan.minutes)}>
      {plan.minutes > plan.gapMinutes && (
        <p className="py-1 text-[13px]">
          <Mark level="warn">
            {`${formatMinutes(plan.gapMinutes)} lie between the two, and this takes ${formatMinutes(plan.minutes)} for one person. Begin later, or with more hands.`}
          </Mark>
        </p>
      )}
      {plan.minutes <= plan.gapMinutes && plan.minutes > plan.rigMinutes && (
        <p className="py-1 text-[13px]">
          <Mark level="advise">
            {`${formatMinutes(plan.rigMinutes)} are planned for rigging, and this takes ${formatMinutes(plan.minutes)} for one person.`}
          </Mark>
        </p>
      )}
      <details>
        <summary className="py-1 text-[13px] font-semibold">{plan.steps.length} steps</summary>
        <ChangeOverSteps plan={plan} />
      </details>
    </Section>
  )
}

function Sheet({ booking }: { booking: BookingReply }) {
  const words = useTimeWords()
  const { sheet } = booking
  if (sheet.pieces === 0)
    return <Empty title="Nothing to pack">This booking holds a room or time, but no things.</Empty>
  return (
    <Section
      title="Pack sheet"
      aside={`${sayNumber(sheet.pieces, 'piece')}, ${formatMass(sheet.massGrams, words.system)}${sheet.unweighed > 0 ? ` and ${sheet.unweighed} not weighed` : ''}`}
    >
      {sheet.stops.map((stop) => (
        <section key={stop.place} className="mt-3 break-inside-avoid">
          <h3>{stop.place}</h3>
          <table>
            <thead className="sr-only">
              <tr>
                <th scope="col">Packed</th>
                <th scope="col">Tag</th>
                <th scope="col">Thing</th>
                <th scope="col">For</th>
              </tr>
            </thead>
            <tbody>
              {stop.lines.map((line) => (
                <tr key={(line.unitId ?? line.stockId ?? '') + line.role}>
                  <td className="w-6">
                    <span className="inline-block size-3.5 border border-ink align-middle">
                      <span className="sr-only">to tick</span>
                    </span>
                  </td>
                  <td className="w-24">
                    <Tag>{line.tag}</Tag>
                  </td>
                  <td>
                    {line.quantity > 1 && <b className="figures">{line.quantity} × </b>}
                    {line.name}
                    {line.state !== 'planned' && <span className="ml-2 text-[12px] text-quiet">{line.state}</span>}
                    {line.note && <span className="ml-2 text-[12px] text-quiet">{line.note}</span>}
                    {line.away && (
                      <span className="block text-[13px]">
                        <Mark level="stop">{sayAbsence(line.away, words)}</Mark>
                      </span>
                    )}
                  </td>
                  <td className="w-2/5 text-quiet">{line.role}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </Section>
  )
}
