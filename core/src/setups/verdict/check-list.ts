import { z } from 'zod'
import type { Check, Sum } from '../checks/check.ts'
import { creases } from '../checks/content/creases.ts'
import { demands } from '../checks/content/demands.ts'
import { openFaults } from '../checks/content/open-faults.ts'
import { temporaryFixes } from '../checks/content/temporary-fixes.ts'
import { generations } from '../checks/joints/generations.ts'
import { unknownJoints } from '../checks/joints/unknown-joints.ts'
import { unmetNeeds } from '../checks/joints/unmet-needs.ts'
import { unsureJoints } from '../checks/joints/unsure-joints.ts'
import { asAgreed } from '../checks/light/as-agreed.ts'
import { backgroundLight } from '../checks/light/background-light.ts'
import { colourCard } from '../checks/light/colour-card.ts'
import { exposure } from '../checks/light/exposure.ts'
import { lampFindings } from '../checks/light/lamp-findings.ts'
import { sunlight } from '../checks/light/sunlight.ts'
import { cardMinutes, cardMinutesSchema, cardMinutesSum } from '../checks/media/card-minutes.ts'
import { cardSpeed } from '../checks/media/card-speed.ts'
import { keptPictures } from '../checks/media/kept-pictures.ts'
import { weakCard } from '../checks/media/weak-card.ts'
import { closedPlace } from '../checks/people/closed-place.ts'
import { consent } from '../checks/people/consent.ts'
import { owners } from '../checks/people/owners.ts'
import { skills } from '../checks/people/skills.ts'
import { backdropWidth } from '../checks/picture/backdrop-width.ts'
import { cameraRoom } from '../checks/picture/camera-room.ts'
import { focalLength } from '../checks/picture/focal-length.ts'
import { focusAndAperture } from '../checks/picture/focus-and-aperture.ts'
import { gaze } from '../checks/picture/gaze.ts'
import { imageCircle } from '../checks/picture/image-circle.ts'
import { moves } from '../checks/picture/moves.ts'
import { roomDepth } from '../checks/picture/room-depth.ts'
import { screens } from '../checks/picture/screens.ts'
import { atWalls } from '../checks/plan/at-walls.ts'
import { seenThings } from '../checks/plan/seen-things.ts'
import { unknownLook } from '../checks/plan/unknown-look.ts'
import { chargeCurrent } from '../checks/power/charge-current.ts'
import { charges } from '../checks/power/charges.ts'
import { circuitLoad, circuitLoadSchema, circuitLoadSum } from '../checks/power/circuit-load.ts'
import { leadLoad } from '../checks/power/lead-load.ts'
import { packCurrent } from '../checks/power/pack-current.ts'
import { packHours, packHoursSchema, packHoursSum } from '../checks/power/pack-hours.ts'
import { bridges } from '../checks/rigging/bridges.ts'
import { carriedLoad, carriedLoadSchema, carriedLoadSum } from '../checks/rigging/carried-load.ts'
import { leastLoad } from '../checks/rigging/least-load.ts'
import { supportTree } from '../checks/rigging/support-tree.ts'
import { tipping, tippingSchema, tippingSum } from '../checks/rigging/tipping.ts'
import { workingHeight } from '../checks/rigging/working-height.ts'
import { wornSupports } from '../checks/rigging/worn-supports.ts'
import { absences, boundElsewhere } from '../checks/roles/absences.ts'
import { crewNotes } from '../checks/roles/crew-notes.ts'
import { emptyRoles } from '../checks/roles/empty-roles.ts'
import { lackingFacts } from '../checks/roles/lacking-facts.ts'
import { providedRoles } from '../checks/roles/provided-roles.ts'
import { sharedItems } from '../checks/roles/shared-items.ts'
import { missingSpares } from '../checks/roles/spares.ts'
import { shortStock } from '../checks/roles/stock.ts'
import { usualFigures } from '../checks/roles/usual-figures.ts'
import { cableRuns } from '../checks/signal/cable-runs.ts'
import { darkScreens } from '../checks/signal/dark-screens.ts'
import { passiveRuns } from '../checks/signal/passive-runs.ts'
import { signalRate } from '../checks/signal/signal-rate.ts'
import { switchedShow } from '../checks/signal/switched-show.ts'
import { microphoneFeed } from '../checks/sound/microphone-feed.ts'
import { gainSum, microphoneGain, microphoneGainSchema } from '../checks/sound/microphone-gain.ts'
import { noiseNear } from '../checks/sound/noise-near.ts'
import { recordedSound } from '../checks/sound/recorded-sound.ts'
import { speakers } from '../checks/sound/speakers.ts'
import { suitedMicrophone } from '../checks/sound/suited-microphone.ts'

/** Every check, one line each. What one finds never depends on another, so their order does not matter. */
export const CHECKS = [
  absences,
  asAgreed,
  atWalls,
  backdropWidth,
  backgroundLight,
  boundElsewhere,
  cableRuns,
  cameraRoom,
  cardMinutes,
  cardSpeed,
  carriedLoad,
  circuitLoad,
  closedPlace,
  colourCard,
  consent,
  creases,
  crewNotes,
  darkScreens,
  demands,
  emptyRoles,
  exposure,
  focalLength,
  focusAndAperture,
  gaze,
  imageCircle,
  keptPictures,
  lackingFacts,
  lampFindings,
  leadLoad,
  leastLoad,
  microphoneFeed,
  microphoneGain,
  missingSpares,
  moves,
  noiseNear,
  openFaults,
  owners,
  packCurrent,
  packHours,
  passiveRuns,
  providedRoles,
  recordedSound,
  roomDepth,
  screens,
  seenThings,
  sharedItems,
  shortStock,
  signalRate,
  skills,
  speakers,
  suitedMicrophone,
  sunlight,
  supportTree,
  switchedShow,
  tipping,
  bridges,
  chargeCurrent,
  charges,
  generations,
  unknownJoints,
  unknownLook,
  unmetNeeds,
  unsureJoints,
  usualFigures,
  temporaryFixes,
  weakCard,
  wornSupports,
  workingHeight,
]

/** Every sum that is shown with its working, in the order in which they stand on the page. */
export const SUMS = [circuitLoadSum, packHoursSum, cardMinutesSum, carriedLoadSum, tippingSum, gainSum]

type FoundBy<C> = C extends Check<infer F> ? F : never
type WorkedBy<S> = S extends Sum<infer W> ? W : never

/** What the checks find, each with its own figures. */
export type FoundFact = FoundBy<(typeof CHECKS)[number]>

/** Figures with the numbers they came from. */
export type Working = WorkedBy<(typeof SUMS)[number]>
export const workingSchema: z.ZodType<Working> = z.discriminatedUnion('formula', [
  circuitLoadSchema,
  packHoursSchema,
  cardMinutesSchema,
  carriedLoadSchema,
  tippingSchema,
  microphoneGainSchema,
])
