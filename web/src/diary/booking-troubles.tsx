import { type BookingCheck, type Remedy, type SetupReply, sayAbsence } from '@exemplar/core'
import { useMeasures } from '../foundation/form/measures.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { useTimeWords } from '../foundation/words/time-words.ts'

/** What is not free for a booking, and what is free instead. */
export function BookingTroubles({
  check,
  setup,
  onSwap,
}: {
  check: BookingCheck
  setup: SetupReply | undefined
  onSwap?(remedy: Remedy): void
}) {
  const words = useTimeWords()
  const { sayArea } = useMeasures()
  const { troubles, clashes, standing, movedMinutes } = check
  if (troubles.length + clashes.length + standing.length === 0) {
    return (
      <p>
        <Mark level="ok">Everything and everybody is free, buffers included.</Mark>
      </p>
    )
  }
  // A setup that is booked twice is one line that opens.
  const byBooking = new Map<string, typeof troubles>()
  for (const it of troubles) {
    const key = it.absence.reason === 'booked' ? it.absence.bookingId : it.unitId
    byBooking.set(key, [...(byBooking.get(key) ?? []), it])
  }
  const show = (trouble: (typeof troubles)[number]) => (
    <li key={trouble.unitId} className="border-b border-rule px-3 py-2 last:border-0">
      <Mark level="stop">
        {trouble.tag} {trouble.name}
      </Mark>
      <p className="ml-4.5 text-[13px] text-quiet">{sayAbsence(trouble.absence, words)}</p>
      <p className="mt-1 ml-4.5 flex flex-wrap items-center gap-1.5 text-[13px]">
        {trouble.standIns.length > 0 && <span className="text-quiet">Free instead:</span>}
        {trouble.standIns.map((it) => {
          const role = setup?.roles.find((candidate) =>
            candidate.things.some((thing) => thing.unitId === trouble.unitId),
          )
          return onSwap && role ? (
            <Button
              key={it.unitId}
              size="small"
              title={it.name}
              onClick={() =>
                onSwap({
                  kind: 'replace',
                  roleId: role.id,
                  unitId: trouble.unitId,
                  byUnitId: it.unitId,
                  tag: it.tag,
                  name: it.name,
                  ends: it.ends,
                })
              }
            >
              Use {it.tag} in the setup
            </Button>
          ) : (
            <span key={it.unitId}>
              {it.tag} {it.name}
            </span>
          )
        })}
      </p>
    </li>
  )
  return (
    <ul aria-label="What stands in the way" className="border border-rule bg-ground">
      {[...byBooking].map(([key, own]) => {
        const [first] = own
        if (!first || own.length === 1) return own.map(show)
        return (
          <li key={key} className="border-b border-rule px-3 py-2 last:border-0">
            <Mark level="stop">{own.length} things are not free</Mark>
            <p className="ml-4.5 text-[13px] text-quiet">{sayAbsence(first.absence, words)}</p>
            <details className="ml-4.5">
              <summary className="text-[13px] font-semibold">One by one, and what is free instead</summary>
              <ul>{own.map(show)}</ul>
            </details>
          </li>
        )
      })}
      {clashes.map((clash) => (
        <li key={clash.subjectId} className="border-b border-rule px-3 py-2 last:border-0">
          <Mark level={clash.subject === 'stock' || clash.absence.reason === 'closed' ? 'stop' : 'warn'}>
            {clash.label}
          </Mark>
          <p className="ml-4.5 text-[13px] text-quiet">{sayAbsence(clash.absence, words)}</p>
        </li>
      ))}
      {standing.map((it) => (
        <li key={it.setupId} className="border-b border-rule px-3 py-2 last:border-0">
          <Mark level="warn">
            {it.code} {it.name} stands there
          </Mark>
          <p className="ml-4.5 text-[13px] text-quiet">
            On the floor: {it.tags.join(', ')}
            {it.squareMm > 0 && `, ${sayArea(it.squareMm)}`}
            {it.unknown.length > 0 && `, how much ${it.unknown.join(', ')} takes is not recorded`}. Striking it takes{' '}
            {it.strikeMinutes} min.
          </p>
        </li>
      ))}
      {movedMinutes.start !== 0 && (
        <li className="px-3 py-2 text-[13px] text-quiet">
          The clocks change: this time does not exist that day, so it starts {movedMinutes.start} minutes later.
        </li>
      )}
    </ul>
  )
}
