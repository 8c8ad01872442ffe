import { type Category, isKindOf } from '../../kit/model/category.ts'

/** What usually rides on what. `cost` is how unlikely it is; null is what nobody does. */
export interface UsualCarrier {
  rides: readonly Category[]
  on: readonly (Category | 'room')[]
  cost: number | null
  reason: string
  /** Only where the rider weighs as much as this, or more. */
  fromGrams?: number
}

/** A shoe takes what a hand can hold up: a small screen or a lamp (common practice). */
const SHOE_GRAMS = 700

/**
 * Carriers by kind, the first that suits decides. Common practice: nothing of it is measured, and somebody who means another
 * carrier says so.
 */
export const USUAL_CARRIERS: readonly UsualCarrier[] = [
  {
    rides: ['lens', 'filter', 'lens-adapter'],
    on: ['camera', 'lens', 'lens-adapter'],
    cost: 0,
    reason: 'A lens goes on a body.',
  },
  { rides: ['modifier'], on: ['light'], cost: 0, reason: 'A modifier goes on a lamp.' },
  { rides: ['phone'], on: ['phone-holder', 'gimbal'], cost: 0, reason: 'A phone goes into its holder.' },
  { rides: ['camera'], on: ['head', 'plate', 'gimbal'], cost: 0, reason: 'A camera goes on a head or its plate.' },
  { rides: ['camera'], on: ['prompter'], cost: 0, reason: 'A camera stands behind the glass of its prompter.' },
  { rides: ['prompter'], on: ['tripod', 'head', 'rail'], cost: 0, reason: 'A prompter goes on a tripod.' },
  {
    rides: ['camera'],
    on: ['tripod', 'monopod', 'rail', 'ring-light'],
    cost: 1,
    reason: 'A camera goes on its tripod.',
  },
  { rides: ['camera'], on: ['arm', 'clamp', 'stand'], cost: 4, reason: 'A camera may hang on an arm.' },
  { rides: ['camera'], on: ['camera', 'light', 'monitor'], cost: 30, reason: 'One camera hardly rides on another.' },
  {
    rides: ['prompter'],
    on: ['head', 'tripod', 'plate', 'rail'],
    cost: 0,
    reason: 'A prompter goes under the camera.',
  },
  { rides: ['head'], on: ['tripod', 'monopod', 'rail'], cost: 0, reason: 'A head goes on its tripod.' },
  { rides: ['head'], on: ['arm', 'stand', 'clamp'], cost: 4, reason: 'A head may hang on an arm.' },
  { rides: ['monitor'], on: ['screen-arm', 'plate'], cost: 0, reason: 'A screen goes on its bracket.' },
  { rides: ['monitor'], on: ['arm', 'clamp'], cost: 2, reason: 'A screen may hang on an arm.' },
  { rides: ['monitor'], on: ['camera'], fromGrams: SHOE_GRAMS, cost: null, reason: 'No shoe takes such a screen.' },
  { rides: ['monitor'], on: ['camera'], cost: 3, reason: 'A small screen may sit in the shoe.' },
  { rides: ['monitor'], on: ['stand'], cost: 4, reason: 'A screen may stand on a stand.' },
  { rides: ['monitor'], on: ['tripod', 'head', 'gimbal', 'rail'], cost: 16, reason: 'A tripod is there for a camera.' },
  {
    rides: ['external-recorder'],
    on: ['arm', 'plate', 'camera'],
    cost: 0,
    reason: 'A recorder goes on the rig of its camera.',
  },
  {
    rides: ['camera-mic', 'wireless-set', 'input-unit'],
    on: ['camera'],
    cost: 0,
    reason: 'It sits in the shoe of the camera.',
  },
  {
    rides: ['microphone'],
    on: ['shock-mount'],
    cost: 0,
    reason: 'A microphone goes into the shock mount that is there.',
  },
  {
    rides: ['shock-mount'],
    on: ['mic-stand', 'desk-arm', 'boom-arm'],
    cost: 0,
    reason: 'A shock mount goes on a microphone stand or boom.',
  },
  {
    rides: ['microphone'],
    on: ['mic-stand', 'desk-arm', 'boom-arm'],
    cost: 1,
    reason: 'A microphone goes on its stand or boom.',
  },
  { rides: ['microphone'], on: ['arm', 'stand', 'combo-boom'], cost: 3, reason: 'A microphone may hang on an arm.' },
  {
    rides: ['microphone'],
    on: ['camera', 'tripod', 'head'],
    cost: 12,
    reason: 'A microphone on a boom does not sit in a shoe.',
  },
  { rides: ['light'], on: ['stand', 'arm', 'clamp'], cost: 0, reason: 'A lamp goes on a stand, or an arm on one.' },
  { rides: ['light'], on: ['camera'], fromGrams: SHOE_GRAMS, cost: null, reason: 'No shoe takes such a lamp.' },
  { rides: ['light'], on: ['camera'], cost: 6, reason: 'A small lamp may sit in the shoe.' },
  { rides: ['light'], on: ['tripod', 'head', 'backdrop-support'], cost: 12, reason: 'A lamp has a stand of its own.' },
  { rides: ['light'], on: ['light', 'monitor', 'microphone'], cost: null, reason: 'A lamp does not ride on that.' },
  { rides: ['arm'], on: ['stand', 'furniture'], cost: 0, reason: 'An arm goes on a stand.' },
  { rides: ['arm'], on: ['clamp'], cost: 1, reason: 'An arm goes on a clamp where no stand is left.' },
  { rides: ['arm'], on: ['tripod', 'head', 'plate', 'camera'], cost: 4, reason: 'A small arm may sit on a rig.' },
  { rides: ['arm'], on: ['arm'], cost: 12, reason: 'One arm hardly hangs on another.' },
  {
    rides: ['arm'],
    on: ['light', 'monitor', 'microphone', 'prompter'],
    cost: 30,
    reason: 'An arm carries, and is not carried by that.',
  },
  { rides: ['crossbar'], on: ['stand', 'arm'], cost: 0, reason: 'A crossbar lies on two stands or arms.' },
  { rides: ['clamp'], on: ['room', 'crossbar'], cost: 0, reason: 'A clamp goes on the bar.' },
  { rides: ['plate'], on: ['head', 'tripod', 'gimbal', 'rail'], cost: 0, reason: 'A plate goes on its head.' },
  {
    rides: ['plate'],
    on: ['arm', 'stand', 'clamp', 'ring-light', 'prompter'],
    cost: 2,
    reason: 'A plate may go on an arm.',
  },
  { rides: ['plate'], on: ['camera'], cost: 8, reason: 'A holder may sit in the shoe.' },
  { rides: ['flag'], on: ['stand', 'arm'], cost: 0, reason: 'A flag goes on a stand.' },
  { rides: ['backdrop'], on: ['backdrop-support'], cost: 0, reason: 'A roll goes on its bar.' },
]

/** Somebody's hands hold only what nothing else does. */
const HANDS: UsualCarrier = { rides: [], on: ['room'], cost: 25, reason: 'What has a support is not held by hand.' }
const UNUSUAL: UsualCarrier = { rides: [], on: [], cost: 6, reason: 'Neither usual nor unheard of.' }

/** How one kind rides on another; a `room` holds by hand where it does not by its bar. */
export function findUsualCarrier(
  rider: { category: Category | 'room'; massGrams: number | null },
  carrier: Category | 'room',
): UsualCarrier {
  const { category, massGrams } = rider
  const isOf = (own: Category | 'room', kind: Category | 'room') =>
    own === kind || (own !== 'room' && kind !== 'room' && isKindOf(own, kind))
  const found = USUAL_CARRIERS.find(
    ({ rides, on, fromGrams = 0 }) =>
      rides.some((kind) => isOf(category, kind)) &&
      on.some((kind) => isOf(carrier, kind)) &&
      (fromGrams === 0 || (massGrams ?? 0) > fromGrams),
  )
  return found ?? (carrier === 'room' ? HANDS : UNUSUAL)
}
