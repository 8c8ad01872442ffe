import { isItemOf, type PlacedItem, readChoice, readFigure, readPositive } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listColours } from '../light/colours.ts'
import { type LampLook, listLampLooks, readEyeHeight } from '../light/lamp-look.ts'
import { findReflection } from '../light/lines-of-sight.ts'
import { computeSetLook } from '../light/set-look.ts'
import { readWidth } from '../picture/backdrop-line.ts'
import { type CameraLook, listBackdrops, listCameraLooks } from '../picture/camera-look.ts'
import { factOf, type Scene } from '../scene.ts'
import { listInPicture } from './in-picture.ts'
import { listPlanned, type PlanThing } from './planned.ts'

interface LookUnknown {
  code: 'look-unknown'
  tag: string
  itemKey: string
  /** What nobody wrote down, and what it would decide. */
  lacks: { what: string; decides: string }[]
}

type Lack = { item: PlacedItem; what: string; decides: string }

/**
 * Figures of things that nobody wrote down, only where everything around them was said: somebody who set aperture, shutter and
 * sensitivity wants to know of the exposure, and who measured no distance is asked nothing.
 */
export const unknownLook = defineCheck<LookUnknown>({
  find(scene) {
    const lacks = [...listOfCameras(scene), ...listOfLamps(scene)]
    const items = [...new Set(lacks.map((it) => it.item))]
    return items.map(
      (item): Found<LookUnknown> => ({
        about: [item.key],
        roleId: item.roleId,
        level: 'unknown',
        code: 'look-unknown',
        tag: item.tag,
        itemKey: item.key,
        lacks: lacks.filter((it) => it.item === item).map(({ what, decides }) => ({ what, decides })),
      }),
    )
  },
  codes: {
    'look-unknown': {
      say: ({ tag, lacks }) =>
        plain(
          `Cannot tell: ${[...new Set(lacks.map((it) => it.decides))].join(', ')}`,
          `Nobody wrote down ${[...new Set(lacks.map((it) => it.what))].join(' and ')} of ${tag}. It stands on its page.`,
        ),
      deciding: ({ lacks }) => lacks.map((it) => it.what),
    },
  },
})

function listOfCameras(scene: Scene): Lack[] {
  return factOf(scene, listCameraLooks).flatMap((look) => {
    const camera = scene.itemOf.get(look.unitId)
    const glass = look.lensItem ?? camera
    return camera && glass
      ? [
          ...listOfFraming(look, camera, glass, scene),
          ...listOfPicture(look, camera, glass, scene),
          ...listOfAperture(look, glass),
        ]
      : []
  })
}

/** Where it stands and what is behind was said. */
function listOfFraming(look: CameraLook, camera: PlacedItem, glass: PlacedItem, scene: Scene): Lack[] {
  const { distanceMm, activeWidthMm, focalMinMm, toBackgroundMm } = look
  const backdrops = listBackdrops(scene)
  const lacks: Lack[] = []
  const { productMm } = scene.setup.stage
  const asksWidth = toBackgroundMm !== null && backdrops.length > 0
  const asksSharp = productMm !== null && distanceMm !== null && look.fNumber !== null
  const decides = asksWidth ? 'whether the backdrop fills the picture' : 'what is sharp'
  if (asksWidth || asksSharp) {
    if (activeWidthMm === null) lacks.push({ item: camera, what: 'how wide the sensor is', decides })
    if (focalMinMm === null && hasFocal(glass)) lacks.push({ item: glass, what: 'the focal length', decides })
  }
  if (asksWidth && activeWidthMm !== null && look.focalMm !== null) {
    for (const item of backdrops.filter((it) => readWidth(it) === null))
      lacks.push({ item, what: 'the width', decides })
  }
  // Lenses usually focus from ten of their focal lengths on.
  const longest = look.focalMaxMm ?? look.focalMm ?? 0
  const asksNear = distanceMm !== null && distanceMm > 0 && distanceMm < longest * NEAR_FOCALS
  if (asksNear && look.closestMm === null)
    lacks.push({ item: glass, what: 'from where on it focuses', decides: 'whether it focuses so near' })
  return lacks
}

/** Further beside where a camera looks than this no usual lens sees. */
const SEEN_DEGREES = 70
/** Half of the largest that is put before a lamp, and of the largest bare one. Common practice, from memory. */
const MOST_HALF_MM = { before: 750, bare: 300 }

/** Everything around says where it is and how high: only a figure of the things decides what comes into the picture. */
function listOfPicture(look: CameraLook, camera: PlacedItem, glass: PlacedItem, scene: Scene): Lack[] {
  const decides = 'what comes into the picture'
  if (look.frameWidthMm !== null)
    return listInPicture(look, scene).flatMap((it): Lack[] => {
      const lamp = factOf(scene, listLampLooks).find(({ lamp: own }) => own.key === it.key)
      const mostMm = lamp && lamp.modifiers.length > 0 ? MOST_HALF_MM.before : MOST_HALF_MM.bare
      const isNear = it.isIn === false && it.y !== null && it.clearMm !== null && it.clearMm < mostMm
      return isNear && lamp && lamp.diameterMm === null && lamp.job !== 'accent'
        ? [{ item: lamp.sourceOf, what: 'how large it is', decides }]
        : []
    })
  const { distanceMm, isAbove, heightMm, activeWidthMm, focalMm } = look
  if (distanceMm === null || isAbove !== false || heightMm === null || !readEyeHeight(scene.setup)) return []
  const isBefore = factOf(scene, listPlanned).placed.some(
    (it) => it.kind !== 'camera' && it.heightMm !== null && findAngle(it, look) < SEEN_DEGREES,
  )
  if (!isBefore) return []
  return [
    ...(activeWidthMm === null ? [{ item: camera, what: 'how wide the sensor is', decides }] : []),
    ...(focalMm === null && look.focalMinMm === null && hasFocal(glass)
      ? [{ item: glass, what: 'the focal length', decides }]
      : []),
  ]
}

/** How far beside the way to the person a thing lies, as the camera sees it, in degrees. */
function findAngle({ xMm, yMm }: PlanThing, { distanceMm, role }: CameraLook): number {
  const side = ((role.position?.sideDegrees ?? 0) * Math.PI) / 180
  const [lensX, lensY] = [(distanceMm ?? 0) * Math.sin(side), (distanceMm ?? 0) * Math.cos(side)]
  const [ax, ay, bx, by] = [-lensX, -lensY, xMm - lensX, yMm - lensY]
  return (Math.abs(Math.atan2(ax * by - ay * bx, ax * bx + ay * by)) * 180) / Math.PI
}

const NEAR_FOCALS = 10
const hasFocal = ({ category }: PlacedItem) => category === 'lens' || category === 'camcorder'

function listOfAperture(look: CameraLook, glass: PlacedItem): Lack[] {
  const { fNumber, widestFNumber } = look
  const isOpen = fNumber !== null && widestFNumber === null && look.apertureEnds === null
  if (!isOpen || !hasFocal(glass)) return []
  // Below f/4 not every lens opens.
  if (fNumber >= USUAL_WIDEST) return []
  return [{ item: glass, what: 'how wide it opens', decides: `whether it has f/${fNumber}` }]
}

/** Nearly every lens opens to it. Common practice, from memory. */
const USUAL_WIDEST = 5.6

function listOfLamps(scene: Scene): Lack[] {
  const lamps = factOf(scene, listLampLooks)
  return [...listOfExposure(scene, lamps), ...listOfColour(scene, lamps), ...listOfSpectacles(scene, lamps)]
}

/** Only lamps light it, and the camera is set: what they give decides. */
function listOfExposure(scene: Scene, lamps: readonly LampLook[]): Lack[] {
  const { stage } = scene.setup
  const { houseLights, face } = factOf(scene, computeSetLook)
  const set = factOf(scene, listCameraLooks).filter(
    (it) => it.fNumber !== null && it.shutterSeconds !== null && it.iso !== null,
  )
  if (set.length === 0) return []
  const filters = set.flatMap((it) => it.filters).filter((it) => readFigure(it, 'densityStops') === null)
  const ofFilters = face
    ? filters.map((item): Lack => ({ item, what: 'how much light it takes away', decides: 'the exposure' }))
    : []
  const isByLamps = stage.faceLux === null && stage.daylight === 'none' && houseLights.every((it) => it.state === 'off')
  const asksWhite = stage.background === 'white' && stage.backdropMm !== null && stage.backgroundLux === null
  const asked = lamps.filter(({ job }) =>
    job === 'key' || job === 'fill' ? isByLamps || asksWhite : job === 'background' && asksWhite,
  )
  return [...ofFilters, ...asked.flatMap(listOfLevel)]
}

/** Of the thing itself; where it stands and how it is dimmed is no figure of it. */
function listOfLevel({ lamp, lux, share, distanceMm, unmeasuredLoss, role }: LampLook): Lack[] {
  if (lux !== null || distanceMm === null) return []
  const decides = 'the light there'
  const isDark = readPositive(lamp, 'luxAtOneMetre') === null
  // Of one that can be dimmed the card says how far: that is asked on the page.
  const isSet = share !== null || readChoice(lamp, 'dims') !== null
  return [
    ...(isDark ? [{ item: lamp, what: 'how much light it gives', decides }] : []),
    ...(role.light?.lossStops == null
      ? unmeasuredLoss.map((item) => ({ item, what: 'how much light it takes away', decides }))
      : []),
    ...(isSet || isDark ? [] : [{ item: lamp, what: 'whether it can be dimmed, or its level', decides }]),
  ]
}

/** Somebody set the colour of one: of the others it is asked. */
function listOfColour(scene: Scene, lamps: readonly LampLook[]): Lack[] {
  const { sources, reference } = factOf(scene, listColours)
  if (reference === null || sources.length < 2) return []
  const open = lamps.filter((it) => it.kelvin === null && !it.isColourMeant)
  return open.flatMap((it): Lack[] => {
    const gels = it.gels.filter((gel) => readFigure(gel, 'shiftMired') === null)
    const decides = 'whether the colours match'
    if (gels.length > 0) return gels.map((item) => ({ item, what: 'by how much it shifts the colour', decides }))
    // One that can be set within a range is set on the card: that is asked on the page.
    return it.kelvinMin === null ? [{ item: it.lamp, what: 'the warmest and the coolest that it gives', decides }] : []
  })
}

/** A large one is seen from further to the side. */
const MOST_HALF_DEGREES = 45

function listOfSpectacles(scene: Scene, lamps: readonly LampLook[]): Lack[] {
  return lamps.flatMap((look): Lack[] => {
    const reflection = findReflection(look, scene)
    if (reflection === null || reflection === 'unknown' || reflection.isSeen || look.diameterMm !== null) return []
    if (reflection.angle >= reflection.limit + MOST_HALF_DEGREES || isItemOf(look.lamp, 'practical')) return []
    return [{ item: look.sourceOf, what: 'how large it is', decides: 'whether it is seen in spectacles' }]
  })
}
