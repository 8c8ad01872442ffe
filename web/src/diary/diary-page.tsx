import type { DiaryReply, SetupName } from '@exemplar/core'
import { ChevronLeft, ChevronRight } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { useAddBookingMutation, useDiaryQuery, useSetupNamesQuery, useStudioQuery } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellDone } from '../foundation/api/tell-done.ts'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Empty, PageHead, Section, Waiting } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { TapeStrip } from '../foundation/parts/tape.tsx'
import { sayDay, sayTime, sayWall, shiftDate, toWall } from '../foundation/words/calendar-words.ts'
import { useTimeWords } from '../foundation/words/time-words.ts'
import { BookingForm, makeBlankDraft } from './booking-form.tsx'

const DAYS = 7
/** The hours of a day that are drawn; nights only make the days narrow. */
const FIRST_HOUR = 7
const LAST_HOUR = 22
type Booking = DiaryReply['bookings'][number]

export function DiaryPage() {
  const { today } = useTimeWords()
  const [params, setParams] = useSearchParams()
  const from = params.get('from') ?? (today && shiftDate(today, -1))
  const { data, error, refetch } = useDiaryQuery({ from, days: DAYS }, { skip: !from })
  const { data: setups } = useSetupNamesQuery()
  const [add, adding] = useAddBookingMutation()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const may = useMay()
  const { data: studio } = useStudioQuery()
  if (!data || !setups || !studio) return <Waiting what="the diary" error={error} onRetry={refetch} />
  const go = (days: number) => setParams({ from: shiftDate(from, days) })
  const close = () => setParams(params.get('from') ? { from } : {})
  const { collisions } = data
  const shown = data.bookings.filter((it) => it.state !== 'cancelled')
  return (
    <>
      <PageHead
        title={`${sayDay(from)} to ${sayDay(shiftDate(from, DAYS - 1))}`}
        aside={
          collisions.length === 0
            ? 'nothing collides'
            : collisions.length === 1
              ? 'one collision'
              : `${collisions.length} collisions`
        }
      >
        <Button aria-label="A week back" onClick={() => go(-7)}>
          <ChevronLeft aria-hidden />
        </Button>
        <Button onClick={() => setParams({})}>Today</Button>
        <Button aria-label="A week on" onClick={() => go(7)}>
          <ChevronRight aria-hidden />
        </Button>
        {may('book-pencilled') && (
          <Button look="act" onClick={() => setParams({ from, add: 'booking' })}>
            Book
          </Button>
        )}
      </PageHead>
      <div className="grid flex-1 lg:grid-cols-[1fr_320px]">
        <div className="min-w-0 px-4 pt-3 pb-8 md:px-5">
          {shown.length === 0 && (
            <Empty title="Nothing booked in these days">
              Book a setup, and Exemplar holds its things for you and says what collides.
            </Empty>
          )}
          <div className="hidden md:block">
            <Strip from={from} today={today} bookings={shown} setups={setups} collisions={collisions} />
          </div>
          <div className="md:hidden">
            <DayList bookings={shown} setups={setups} />
          </div>
        </div>
        <aside aria-label="Collisions" className="border-rule bg-sheet px-[18px] py-4 max-lg:border-t lg:border-l">
          <Collisions collisions={collisions} />
        </aside>
      </div>
      <SheetDialog open={params.get('add') === 'booking'} onClose={close} wide title="Book">
        <BookingForm
          initial={{
            ...makeBlankDraft(shiftDate(today, 1), params.get('setup') ?? '', studio),
            placeId: params.get('place') ?? '',
          }}
          state="pencilled"
          act="Book it"
          problem={adding.error ? readProblem(adding.error) : null}
          onSave={(body) =>
            add(body)
              .unwrap()
              .then((booking) => {
                tellDone(dispatch, `${booking.title} is booked.`, booking)
                navigate(`/diary/${booking.id}`)
              })
              .catch(() => {})
          }
        />
      </SheetDialog>
    </>
  )
}

function Collisions({ collisions }: { collisions: DiaryReply['collisions'] }) {
  const words = useTimeWords()
  if (collisions.length === 0) {
    return (
      <>
        <h2 className="text-verdict tracking-tight">Nothing collides</h2>
        <p className="mt-1 text-[13px] text-quiet">No thing, room or person is wanted twice at once in these days.</p>
      </>
    )
  }
  return (
    <>
      <h2 className="text-verdict tracking-tight">Wanted twice at once</h2>
      <ol className="mt-2">
        {collisions.map((it) => (
          <li key={it.subjectId + it.interval.start} className="border-t border-rule py-2.5">
            <Mark level={it.subject === 'unit' ? 'stop' : 'warn'}>{it.label}</Mark>
            <p className="ml-4.5 text-[13px] text-quiet">
              {words.sayInstant(it.interval.start)} to {words.sayInstant(it.interval.end)}
            </p>
            <p className="ml-4.5 text-[13px]">
              {it.bookings.map((booking, at) => (
                <span key={booking.id}>
                  {at > 0 && ' and '}
                  <Link to={`/diary/${booking.id}`} className="underline underline-offset-2">
                    {booking.title}
                  </Link>
                </span>
              ))}
            </p>
            <p className="ml-4.5 mt-1 text-[13px] text-quiet">Open one of them: it says what is free instead.</p>
          </li>
        ))}
      </ol>
    </>
  )
}

interface StripProps {
  from: string
  today: string
  bookings: Booking[]
  setups: SetupName[]
  collisions: DiaryReply['collisions']
}

/** Days across, setups down; buffers hatched, and below it what is wanted by more than one. */
function Strip({ from, today, bookings, setups, collisions }: StripProps) {
  const rows = [
    ...setups.map((setup) => ({
      key: setup.id,
      name: setup.name,
      setup,
      of: bookings.filter((it) => it.setupId === setup.id),
    })),
    { key: 'loose', name: 'Without a setup', setup: null, of: bookings.filter((it) => !it.setupId) },
  ].filter((row) => row.of.length > 0)
  const days = Array.from({ length: DAYS }, (_, index) => shiftDate(from, index))
  const { zone } = useTimeWords()
  const place = (at: number) => `${findShare(toWall(at, zone), days) * 100}%`
  const units = collisions.filter((it) => it.subject === 'unit')
  return (
    <div className="overflow-x-auto">
      <div className="min-w-[760px]">
        <div className="grid grid-cols-[150px_1fr] border-b border-rule-strong text-[12px] text-quiet">
          <span />
          <span className="grid grid-cols-7">
            {days.map((date) => (
              <span key={date} className={`truncate pb-1 pl-1 ${date === today ? 'font-bold text-ink' : ''}`}>
                {sayDay(date)}
              </span>
            ))}
          </span>
        </div>
        {rows.map((row) => (
          <div key={row.key} className="grid grid-cols-[150px_1fr] border-b border-rule">
            <span className="py-2 pr-2 text-[13px] font-semibold">{row.name}</span>
            <Lane days={days} today={today}>
              {row.of.map((booking) => (
                <Bar key={booking.id} booking={booking} setup={row.setup} place={place} />
              ))}
            </Lane>
          </div>
        ))}
        {units.length > 0 && (
          <>
            <p className="mt-5 text-[12px] font-bold">Wanted by more than one</p>
            {units.map((it) => (
              <div key={it.subjectId + it.interval.start} className="grid grid-cols-[150px_1fr] border-b border-rule">
                <span className="py-2 pr-2 text-[12px]">{it.label}</span>
                <Lane days={days} today={today}>
                  <span
                    className="absolute inset-y-1.5 border-2 border-stop bg-stop-wash"
                    style={{
                      left: place(it.interval.start),
                      width: `max(10px, calc(${place(it.interval.end)} - ${place(it.interval.start)}))`,
                    }}
                  >
                    <span className="sr-only">collision</span>
                  </span>
                </Lane>
              </div>
            ))}
          </>
        )}
      </div>
    </div>
  )
}

/** Where a wall time stands across the strip, 0 to 1. */
function findShare(wall: string, days: readonly string[]): number {
  const date = wall.slice(0, 10)
  const at = days.indexOf(date)
  if (at < 0) return date < (days[0] ?? '') ? 0 : 1
  const hour = Number(wall.slice(11, 13)) + Number(wall.slice(14, 16)) / 60
  const share = (Math.min(Math.max(hour, FIRST_HOUR), LAST_HOUR) - FIRST_HOUR) / (LAST_HOUR - FIRST_HOUR)
  return (at + share) / days.length
}

function Lane({ days, today, children }: { days: string[]; today: string; children: React.ReactNode }) {
  return (
    <span className="relative block min-h-[42px]">
      <span className="absolute inset-0 grid grid-cols-7" aria-hidden>
        {days.map((date) => (
          <span key={date} className={`border-l border-rule ${date === today ? 'bg-wash' : ''}`} />
        ))}
      </span>
      {children}
    </span>
  )
}

function Bar({ booking, setup, place }: { booking: Booking; setup: SetupName | null; place(at: number): string }) {
  const { zone } = useTimeWords()
  const rig = booking.rigMinutes * 60_000
  const strike = booking.strikeMinutes * 60_000
  const buffer = 'hatched absolute top-2 h-[26px] border border-rule-strong'
  const inner = { left: place(booking.holdStart + rig), right: place(booking.holdEnd - strike) }
  const label = `${booking.title}, ${sayWall(booking.startsAt)} to ${sayTime(booking.endsAt)}, ${booking.state}`
  return (
    <>
      {rig > 0 && (
        <span
          className={buffer}
          style={{ left: place(booking.holdStart), width: `calc(${inner.left} - ${place(booking.holdStart)})` }}
          title={`Rigging from ${sayTime(toWall(booking.holdStart, zone))}`}
        />
      )}
      {strike > 0 && (
        <span
          className={buffer}
          style={{ left: inner.right, width: `calc(${place(booking.holdEnd)} - ${inner.right})` }}
          title={`Struck by ${sayTime(toWall(booking.holdEnd, zone))}`}
        />
      )}
      <Link
        to={`/diary/${booking.id}`}
        aria-label={label}
        title={label}
        className="absolute top-2 z-10 flex items-center gap-1.5 text-[12px] font-semibold no-underline"
        // As wide as the booking lasts; the title stands beside it, beyond that width.
        style={{ left: inner.left, width: `max(38px, calc(${inner.right} - ${inner.left}))` }}
      >
        {setup ? (
          <span
            className="tape w-full shrink-0"
            data-tape={setup.tape}
            style={{ '--tape-colour': `var(--tape-${setup.tape})` } as React.CSSProperties}
          >
            <b>{setup.code}</b>
          </span>
        ) : (
          <span className="h-[26px] w-full shrink-0 border border-ink bg-sheet" />
        )}
        <span className="max-w-36 shrink-0 truncate bg-ground px-0.5">{booking.title}</span>
      </Link>
    </>
  )
}

function DayList({ bookings, setups }: { bookings: Booking[]; setups: SetupName[] }) {
  const [isAll, setAll] = useState(false)
  const days = [...new Set(bookings.map((it) => it.startsAt.slice(0, 10)))]
  return (
    <>
      {days.slice(0, isAll ? days.length : 7).map((date) => (
        <Section key={date} title={sayDay(date)}>
          <ul>
            {bookings
              .filter((it) => it.startsAt.startsWith(date))
              .map((booking) => {
                const setup = setups.find((it) => it.id === booking.setupId)
                return (
                  <li key={booking.id} className="border-b border-rule">
                    <Link
                      to={`/diary/${booking.id}`}
                      className="flex min-h-12 flex-wrap items-center gap-3 py-2 no-underline"
                    >
                      {setup && <TapeStrip code={setup.code} tape={setup.tape} size="small" />}
                      <span className="font-semibold">{booking.title}</span>
                      <span className="text-quiet">
                        {sayTime(booking.startsAt)} to {sayTime(booking.endsAt)} · {booking.state}
                      </span>
                    </Link>
                  </li>
                )
              })}
          </ul>
        </Section>
      ))}
      {days.length > 7 && !isAll && (
        <Button className="mt-3" onClick={() => setAll(true)}>
          Show all {days.length} days
        </Button>
      )}
    </>
  )
}
