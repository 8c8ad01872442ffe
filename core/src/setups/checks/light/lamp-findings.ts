import { radians } from '../../../formulas/light/fall-off.ts'
import { trim } from '../../../units/quantity.ts'
import { isItemOf, readChoice, readPositive } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { metres, plain } from '../finding-words.ts'
import { findBehindBackdrop } from '../picture/room-depth.ts'
import { findRun } from '../picture/stand.ts'
import { factOf, type Scene } from '../scene.ts'
import { listColours } from './colours.ts'
import { findDownTheWall, type LampLook, listLampLooks } from './lamp-look.ts'
import { findAngleFromLens, findBlocking, findFaceShadow, findReflection, wearsSpectacles } from './lines-of-sight.ts'
import { EVEN_STOPS } from './set-look.ts'

interface Subject {
  tag: string
  itemKey: string
}

type LampFinding =
  | (Subject & { code: 'colour-apart'; mired: number; kelvin: number; against: number })
  | { code: 'house-light-apart'; name: string; mired: number; kelvin: number; against: number }
  | (Subject & { code: 'colour-poor'; cri: number })
  | (Subject & { code: 'no-reserve' })
  | (Subject & { code: 'seen-in-spectacles'; angle: number; limit: number })
  | (Subject & { code: 'grid-in-spectacles'; grid: string })
  | (Subject & { code: 'camera-shades'; camera: string; angle: number })
  | (Subject & { code: 'foot-dark'; stops: number; topMm: number })
  | (Subject & { code: 'lamp-no-room'; wantedMm: number; roomMm: number })
  | (Subject & { code: 'into-the-eyes'; angle: number })
  | (Subject & { code: 'shadow-seen'; cameras: string[]; asideMm: number; lowerMm: number })

/** Under this, skin and products turn a little green or grey. Common practice, from memory. */
export const POOR_CRI = 90

const sayMired = (mired: number) => `${trim(Math.abs(mired), 0)} mired ${mired > 0 ? 'warmer' : 'cooler'}`

/** What single lamps do: their colour, their reserve, where they are seen and what stands before them. */
export const lampFindings = defineCheck<LampFinding>({
  find: (scene) => [...judgeColours(scene), ...factOf(scene, listLampLooks).flatMap((look) => judgeLamp(look, scene))],
  codes: {
    'colour-apart': {
      say: ({ tag, mired, kelvin, against }) =>
        plain(
          `${tag} has another colour than the rest`,
          `${trim(kelvin, 0)} K against ${trim(against, 0)} K: ${sayMired(mired)}. A gel of ${trim(-mired, 0)} mired, another setting, or say in its role that it is meant.`,
        ),
      deciding: ({ kelvin, against }) => [trim(kelvin, 0), trim(against, 0)],
      isSmaller: (after, before) => Math.abs(after.mired) < Math.abs(before.mired),
    },
    'house-light-apart': {
      say: ({ name, mired, kelvin, against }) =>
        plain(
          `${name} joins in with another colour`,
          `It is on, at ${trim(kelvin, 0)} K against ${trim(against, 0)} K: ${sayMired(mired)}. Switch it off, or match the lamps to it.`,
        ),
      deciding: ({ kelvin, against }) => [kelvin, trim(against, 0)],
    },
    'colour-poor': {
      say: ({ tag, cri }) =>
        plain(
          `${tag} shows colours poorly`,
          `Its Ra is ${trim(cri, 0)}: skin and white turn a little green or grey. As an accent nobody minds; for the face one of ${POOR_CRI} and more.`,
        ),
      deciding: ({ cri }) => [cri],
    },
    'no-reserve': {
      say: ({ tag }) =>
        plain(
          `${tag} has no reserve`,
          `It is at its full output: nothing is left for a softer modifier, or for further away.`,
        ),
      deciding: () => [],
    },
    'seen-in-spectacles': {
      say: ({ tag, angle, limit }) =>
        plain(
          `${tag} is likely seen in spectacles`,
          `It stands ${trim(angle, 0)}° from the lens, and clears from about ${trim(limit, 0)}°: higher, or further to the side. Look once before it counts.`,
        ),
      deciding: ({ angle, limit }) => [trim(angle, 0), trim(limit, 0)],
      isSmaller: (after, before) => after.limit - after.angle < before.limit - before.angle,
    },
    'grid-in-spectacles': {
      say: ({ tag, grid }) =>
        plain(
          `The pattern of ${grid} may be seen in spectacles`,
          `A grid before ${tag} keeps its light off the background and shows its cells in glasses. Without it, or from further to the side.`,
        ),
      deciding: ({ grid }) => [grid],
    },
    'camera-shades': {
      say: ({ tag, camera, angle }) =>
        plain(
          `${camera} stands in the light of ${tag}`,
          `Seen from the face they are ${trim(angle, 0)}° apart, and the camera is the nearer one. Lower the camera, or raise the lamp.`,
        ),
      deciding: ({ angle }) => [trim(angle, 0)],
    },
    'foot-dark': {
      say: ({ tag, stops, topMm }) =>
        plain(
          `The foot of the background stays dark under ${tag}`,
          `It gets ${trim(stops, 1)} stops less at the floor than at ${metres(topMm)}. A second lamp lower down, or this one further away, evens it.`,
        ),
      deciding: ({ stops }) => [trim(stops, 1)],
      isSmaller: (after, before) => after.stops < before.stops,
    },
    'lamp-no-room': {
      say: ({ tag, wantedMm, roomMm }) =>
        plain(
          `${tag} would stand outside the room`,
          `From it to the background are ${metres(wantedMm)} with its legs and what stands behind, and the longer side of the room is ${metres(roomMm)}. Nearer, more to the side, or whoever is filmed nearer to the background.`,
        ),
      deciding: ({ wantedMm, roomMm }) => [trim(wantedMm, 0), roomMm],
    },
    'into-the-eyes': {
      say: ({ tag, angle }) =>
        plain(
          `${tag} shines straight into the eyes`,
          `It stands ${trim(angle, 0)}° from the lens with nothing before it. Dim it, put cloth before it, or move it to the side: whoever looks into it for long gets tired.`,
        ),
      deciding: ({ angle }) => [trim(angle, 0)],
    },
    'shadow-seen': {
      say: ({ tag, cameras, asideMm, lowerMm }) =>
        plain(
          `${tag} throws the shadow of a head into the picture`,
          `It falls ${metres(asideMm)} to the side and ${metres(Math.abs(lowerMm))} ${lowerMm < 0 ? 'higher' : 'lower'}, seen by ${cameras.join(', ')}. Higher, further to the side, or the background further back.`,
        ),
      deciding: ({ asideMm, lowerMm }) => [trim(asideMm, 0), trim(lowerMm, 0)],
    },
  },
})

function judgeColours(scene: Scene): Found<LampFinding>[] {
  const { odd, reference } = factOf(scene, listColours)
  return odd.flatMap(({ source, mired }): Found<LampFinding>[] => {
    const { id, kelvin, isMeant, isForFace, key, roleId, label } = source
    const mixes = !isForFace && scene.policies.school('colour').way === 'mix'
    if (kelvin === null || reference === null || isMeant || (mixes && key !== null)) return []
    const figures = { mired, kelvin, against: reference }
    if (key === null)
      return [{ about: ['house', id], roleId: null, level: 'warn', code: 'house-light-apart', name: label, ...figures }]
    // What is behind or in the picture is often coloured on purpose: a word, until somebody says so.
    const level = isForFace ? 'warn' : 'advise'
    return [{ about: [key], roleId, level, code: 'colour-apart', tag: label, itemKey: key, ...figures }]
  })
}

/** What legs of a stand take beyond the lamp. Common practice, from memory. */
const LEGS_MM = 400
/** Nearer to the lens than this one looks into it. Common practice, from memory. */
const INTO_EYES_DEGREES = 12
/** Dimmed so far nobody minds. */
const COMFORTABLE_SHARE = 0.25

function judgePlace(
  look: LampLook,
  scene: Scene,
  place: Subject & { about: string[]; roleId: string },
): Found<LampFinding>[] {
  const { setup } = scene
  const { background, backdropMm } = setup.stage
  const { job, distanceMm, sideDegrees, share, modifiers } = look
  const found: Found<LampFinding>[] = []
  const wall = job === 'background' ? findDownTheWall(look, scene) : null
  const asksEven = background === 'white' || background === 'keyed'
  if (wall && asksEven && wall.stops > EVEN_STOPS)
    found.push({ ...place, level: 'advise', code: 'foot-dark', stops: wall.stops, topMm: wall.topMm })
  const isForFace = job === 'key' || job === 'fill'
  if (!isForFace || distanceMm === null || sideDegrees === null) return found
  const forward = distanceMm * Math.cos(radians(sideDegrees))
  const wantedMm = forward + LEGS_MM + (backdropMm ?? 0) + findBehindBackdrop(scene)
  const run = findRun(scene)
  // Where it is said how they stand, it is held against the walls themselves.
  const roomMm = run && !run.isStated ? run.roomMm : null
  if (roomMm !== null && backdropMm !== null && wantedMm > roomMm)
    found.push({ ...place, level: 'warn', code: 'lamp-no-room', wantedMm, roomMm })
  const angle = findAngleFromLens(look, scene)
  const isSoft = modifiers.length > 0
  if (angle !== null && angle < INTO_EYES_DEGREES && !isSoft && share !== null && share > COMFORTABLE_SHARE)
    found.push({ ...place, level: 'advise', code: 'into-the-eyes', angle })
  return found
}

function judgeLamp(look: LampLook, scene: Scene): Found<LampFinding>[] {
  const { lamp, role, job, share } = look
  const place = { about: [lamp.key], roleId: role.id, tag: lamp.tag, itemKey: lamp.key }
  const found: Found<LampFinding>[] = []
  const cri = readPositive(lamp, 'cri')
  // A practical is in the picture; nobody wants true colours of it. What content demands asks by itself.
  const isAccent = job === 'accent' || isItemOf(lamp, 'practical')
  if (cri !== null && cri < POOR_CRI && !isAccent && job !== null && !scene.setup.demands.includes('true-colour'))
    found.push({ ...place, level: 'advise', code: 'colour-poor', cri })
  const wantsReserve = scene.policies.school('reserve')
  if (share === 1 && job === 'key' && wantsReserve.way === 'more' && readPositive(lamp, 'luxAtOneMetre') !== null)
    found.push({ ...place, level: 'advise', code: 'no-reserve' })
  const reflection = findReflection(look, scene)
  // Where the setup says that spectacles are worn, what its content demands tells of the ring.
  const isToldOfRing = isItemOf(lamp, 'ring-light') && scene.setup.demands.includes('spectacles')
  if (reflection !== null && reflection !== 'unknown' && reflection.isSeen && !isToldOfRing)
    found.push({
      ...place,
      level: 'warn',
      code: 'seen-in-spectacles',
      angle: reflection.angle,
      limit: reflection.limit,
    })
  const grid = look.modifiers.find((it) => readChoice(it, 'grid') === 'yes')
  const isBefore = job !== 'background' && job !== 'separation' && Math.abs(look.sideDegrees ?? 0) < 90
  if (grid && isBefore && wearsSpectacles(scene))
    found.push({ ...place, level: 'advise', code: 'grid-in-spectacles', grid: grid.tag })
  for (const { tag: camera, angle } of findBlocking(look, scene))
    found.push({ ...place, level: 'warn', code: 'camera-shades', camera, angle })
  found.push(...judgePlace(look, scene, place))
  const shadow = job === 'key' || job === 'fill' ? findFaceShadow(look, scene) : null
  if (shadow?.isInPicture && scene.setup.stage.background !== 'dark')
    found.push({
      ...place,
      level: 'advise',
      code: 'shadow-seen',
      cameras: shadow.cameras,
      asideMm: shadow.asideMm,
      lowerMm: shadow.lowerMm,
    })
  return found
}
