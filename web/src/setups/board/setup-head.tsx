import type { NewSetup, Readiness, Setup, SetupReply } from '@exemplar/core'
import { useMay } from '../../foundation/api/session.ts'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { MoveCheck } from './move-check.tsx'
import { SetupMenu } from './setup-menu.tsx'

/** What it weighs, and of how many things nobody knows: "3.2 kg and 4 things not weighed". */
function sayWeight({ totalMassGrams, unweighed }: Readiness, sayMass: (grams: number) => string): string {
  const rest = `${unweighed} ${unweighed === 1 ? 'thing' : 'things'} not weighed`
  if (unweighed === 0) return sayMass(totalMassGrams)
  return totalMassGrams === 0 ? rest : `${sayMass(totalMassGrams)} and ${rest}`
}

/** The tape of a setup with its few facts, and what may be done with it as a whole. */
export function SetupHead({
  setup,
  bookingId,
  room,
  readiness,
  onChange,
  onMove,
}: {
  setup: SetupReply
  bookingId: string | undefined
  room: string | undefined
  readiness: Readiness | undefined
  /** Null for who only looks. */
  onChange: (() => void) | null
  onMove(next: NewSetup, text: string): Promise<Setup | null>
}) {
  const may = useMay()
  const { sayMass } = useMeasures()
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 pt-4 pb-2 md:px-5">
      <h1 className="max-w-full">
        <TapeStrip code={setup.code} tape={setup.tape} name={setup.name} size="big" />
      </h1>
      <span className="text-quiet">
        {[setup.purpose, `${setup.plannedMinutes} min`, room, readiness && sayWeight(readiness, sayMass)]
          .filter(Boolean)
          .join(' · ')}
      </span>
      <div className="no-print flex flex-wrap gap-2 md:ml-auto">
        {onChange && <Button onClick={onChange}>Change</Button>}
        <SetupMenu setup={setup} bookingId={bookingId} />
        <MoveCheck setup={setup} canChange={onChange !== null} onMove={onMove} />
        {setup.next && <ButtonLink to={`/diary/${setup.next.id}`}>Pack sheet</ButtonLink>}
        {may('book-pencilled') && (
          <ButtonLink look="act" to={`/diary?add=booking&setup=${setup.id}`}>
            Book it
          </ButtonLink>
        )}
      </div>
    </div>
  )
}
