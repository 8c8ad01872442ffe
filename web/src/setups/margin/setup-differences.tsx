import type { FactField, NamedDifference, RoleField, StageField } from '@exemplar/core'
import { Waiting } from '../../foundation/parts/page-parts.tsx'
import { useSetupDifferenceQuery } from '../helping-api.ts'
/** What is otherwise in the second setup, as seen from the first. */
export function Differences({ id, otherId }: { id: string; otherId: string }) {
  const { data, error, refetch } = useSetupDifferenceQuery({ id, otherId })
  if (!data) return <Waiting what="the differences" error={error} onRetry={refetch} />
  if (data.differences.length === 0) return <p className="text-[13px] text-quiet">Both are the same, role by role.</p>
  return (
    <ul className="text-[13px]">
      {data.differences.map((it) => (
        <li
          key={JSON.stringify(it)}
          className="grid grid-cols-[minmax(96px,160px)_1fr] gap-2 border-b border-rule py-1.5"
        >
          <b>{'role' in it ? it.role : it.kind === 'stage' ? 'The scene' : FACT_NAMES[it.field]}</b>
          <span>{sayDifference(it)}</span>
        </li>
      ))}
    </ul>
  )
}

const FACT_NAMES: Record<FactField, string> = {
  speakers: 'People who speak',
  shot: 'How much is seen',
  carriers: 'People who carry',
  isMirrored: 'Turned round',
  placeId: 'Room',
  circuitId: 'Circuit',
  plannedMinutes: 'Planned minutes',
  purposeKind: 'Purpose',
}
const FIELD_NAMES: Record<RoleField, string> = {
  wantsModelId: 'which model fills it',
  anyOfUnitIds: 'what takes turns',
  providedBy: 'what does it',
  position: 'the measured place',
  light: 'what it lights and what is lost on its way',
  settings: 'the setting card',
  goesWith: 'which role it goes with',
  mayShare: 'whether its thing is shared',
  oftenForgotten: 'whether it is often forgotten',
  stays: 'whether it stays rigged',
  rigMinutes: 'the minutes to rig it',
  importance: 'how much it matters',
  wants: 'what fills it',
  detail: 'where and how',
  intentionallyEmpty: 'whether it is left empty',
}

const STAGE_NAMES: Record<StageField, string> = {
  posture: 'seated or standing',
  eyeMm: 'the height of the eyes',
  backdropMm: 'how far the background is',
  productMm: 'where something is held',
  background: 'what the background is to look like',
  daylight: 'the daylight',
  windows: 'light of the window',
  faceLux: 'the light measured at the face',
  backgroundLux: 'the light measured at the background',
  readings: 'measured points',
  houseLights: 'which lights of the house are on',
  move: 'how the camera moves',
  inPicture: 'what is worn or shown',
  eyesores: 'what should not be seen',
  whiteBalance: 'the white balance',
  ratioStops: 'key against fill',
  correctionMinutes: 'the minutes of correcting colours',
  inPlaceId: 'of which room that is',
  fromLeftMm: 'how far they are from the left wall',
  fromFrontMm: 'how far they are from the front wall',
  facesDegrees: 'which way they face',
  composition: 'the composition',
}

function sayDifference(it: NamedDifference): string {
  switch (it.kind) {
    case 'role-added':
      return `only here${it.things.length > 0 ? `: ${it.things.join(', ')}` : ''}`
    case 'role-gone':
      return `not here${it.things.length > 0 ? `: without ${it.things.join(', ')}` : ''}`
    case 'things':
      return [
        it.added.length > 0 && `with ${it.added.join(', ')}`,
        it.gone.length > 0 && `instead of ${it.gone.join(', ')}`,
      ]
        .filter(Boolean)
        .join(' ')
    case 'role-changed':
      return `otherwise: ${it.fields.map((field) => FIELD_NAMES[field]).join(', ')}`
    case 'stage':
      return `otherwise: ${it.fields.map((field) => STAGE_NAMES[field]).join(', ')}`
    case 'fact':
      return `${it.after || 'none'} instead of ${it.before || 'none'}`
    default:
      return it satisfies never
  }
}
