import { type Charge, readCharge, type Unit } from '@exemplar/core'
import { useSayChargesMutation } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'

/** Whether a pack, or what has one inside, is full, and who is asked says so with one press. */
export function ChargeState({ unit }: { unit: Pick<Unit, 'id' | 'tag' | 'charge'> }) {
  const { today, sayDay } = useTimeWords()
  const [sayCharges] = useSayChargesMutation()
  const run = useTold()
  const may = useMay()
  const known = readCharge(unit.charge, today)
  const tell = (state: Charge['state']) =>
    run(
      sayCharges({ unitIds: [unit.id], state, on: today }).unwrap(),
      state === 'full' ? `${unit.tag} is charged.` : `${unit.tag} is to be charged.`,
    )
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
      {known === 'full' && unit.charge && <Mark level="ok">charged on {sayDay(unit.charge.on)}</Mark>}
      {known === 'used' && unit.charge && (
        <Mark level="warn">worked from on {sayDay(unit.charge.on)}, not charged since</Mark>
      )}
      {known === 'unsaid' && <span>{sayLast(unit.charge, sayDay)}</span>}
      {may('bring-back') && known !== 'full' && (
        <Button size="small" onClick={() => tell('full')}>
          It is charged
        </Button>
      )}
      {may('bring-back') && known !== 'used' && (
        <Button size="small" onClick={() => tell('used')}>
          It is to be charged
        </Button>
      )}
    </div>
  )
}

/** What was said last, where that is too long ago to tell anything. */
function sayLast(charge: Charge | null, sayDay: (day: string) => string): string {
  if (!charge) return 'Nobody said.'
  return charge.state === 'full'
    ? `Charged on ${sayDay(charge.on)}: too long ago to count on.`
    : `Worked from on ${sayDay(charge.on)}; nobody said anything since.`
}
