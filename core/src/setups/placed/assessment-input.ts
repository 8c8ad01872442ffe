import type { Interface } from '../../kit/model/interface.ts'
import type { Absence } from '../../kit/unit/absence.ts'
import type { OpenFault } from '../../kit/unit/fault.ts'
import type { Person } from '../../studio/people/person.ts'
import type { Bar, Circuit, Place, Size } from '../../studio/places/place.ts'
import type { Policies } from '../../studio/policy/resolved-policies.ts'
import type { NewSetup } from '../setup/setup.ts'
import type { Holdings } from './placed-item.ts'

/** Who is there, where, and on which days. */
export interface Crew {
  team: readonly Person[]
  /** Who is booked; null where no booking is judged, only the setup as it stands. */
  bookedIds: readonly string[] | null
  place: Pick<Place, 'name' | 'details'> | null
  /** First and last calendar day, in the studio's zone. */
  firstDay: string
  lastDay: string
}

/** When it is filmed, without rigging and striking, as a booking says. */
export interface Filming {
  start: number
  end: number
  zone: string
  /** What the forecast says of the sky. */
  sky: 'clear' | 'broken' | 'overcast' | null
}

/** Everything that judging one setup at one time reads. */
export interface AssessmentInput {
  setup: NewSetup
  holdings: Holdings
  interfaces: ReadonlyMap<string, Interface>
  circuit: Circuit | null
  policies: Policies
  /** People and place; null judges the things alone. */
  crew: Crew | null
  /** Why a unit cannot be counted on at the time that is judged. */
  absences: ReadonlyMap<string, Absence>
  /** What is wrong with things that work on, by the thing. */
  faults?: ReadonlyMap<string, readonly OpenFault[]>
  /** Pieces of each stock that nothing else holds at that time. */
  freeStock: ReadonlyMap<string, number>
  /** The day by which it has to be charged, and whether that is now: until a day to come what is not charged can be. */
  charging?: { day: string; isNow: boolean }
  /** Parts that should be with a unit and are not there, by its id: tag and name. */
  missingParts?: ReadonlyMap<string, string[]>
  /** For each unit of a role with a spare policy: how many free things of its kind lie in the store. */
  spares?: ReadonlyMap<string, number>
  /** Bars and ceiling clips of the room. */
  bars?: readonly Bar[]
  /** The inside of the room, where somebody measured it. */
  roomSize?: Size | null
  /** Absent where no booking is judged. */
  filming?: Filming
  /** Where it is to be, and the places of the studio, for what belongs to a room and stays there. */
  where?: { placeId: string | null; places: ReadonlyMap<string, Pick<Place, 'id' | 'name' | 'kind' | 'parentId'>> }
}
