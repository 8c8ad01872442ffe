import { findStops } from '../../../formulas/picture/exposure.ts'
import { trim } from '../../../units/quantity.ts'
import { printLights } from '../../setup/lights-print.ts'
import { READ_SETTINGS } from '../../setup/read-settings.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listCameraLooks } from '../picture/camera-look.ts'
import { factOf, type Scene } from '../scene.ts'
import { listColours } from './colours.ts'
import { computeSetLook } from './set-look.ts'

type AgreedFinding =
  | { code: 'white-balance-old'; kelvin: number; on: string }
  | { code: 'white-balance-auto'; tag: string; itemKey: string; coloured: string[] }
  | { code: 'ratio-off'; wanted: number; there: number }
  | { code: 'eyesore'; what: string; camera: string }

/** Off by less nobody sees. Common practice, from memory. */
const RATIO_WITHIN_STOPS = 0.5

/** What was found good once, against what is there now. */
export const asAgreed = defineCheck<AgreedFinding>({
  find: (scene) => [...judgeWhite(scene), ...judgeAutomatic(scene), ...judgeRatio(scene), ...judgeEyesores(scene)],
  codes: {
    'white-balance-old': {
      say: ({ kelvin, on }, { sayDay }) =>
        plain(
          'Lights were changed since white balance was taken',
          `${trim(kelvin, 0)} K of ${sayDay(on)} was for other lights. Take it again by the card once all of them are on.`,
        ),
      deciding: ({ kelvin, on }) => [kelvin, on],
    },
    'white-balance-auto': {
      say: ({ tag, coloured }) =>
        plain(
          `${tag} would pull the coloured lamps to white`,
          `Its white balance is set to find itself, and ${coloured.join(', ')} ${coloured.length === 1 ? 'has' : 'have'} another colour on purpose. Set it by hand to what the key has.`,
        ),
      deciding: ({ coloured }) => [...coloured].sort(),
    },
    'ratio-off': {
      say: ({ wanted, there }) =>
        plain(
          'Key and fill are not as they were found good',
          `${trim(there, 1)} stops lie between them, and ${trim(wanted, 1)} were agreed.`,
        ),
      deciding: ({ wanted, there }) => [wanted, trim(there, 1)],
      isSmaller: (after, before) => Math.abs(after.wanted - after.there) < Math.abs(before.wanted - before.there),
    },
    eyesore: {
      say: ({ what, camera }) =>
        plain(
          `${what} is in the picture`,
          `${camera ? `${camera} sees it` : 'It is seen'}, and nobody said what is done about it: hide it, light past it, or move the camera.`,
        ),
      deciding: ({ what, camera }) => [what, camera],
    },
  },
})

function judgeWhite({ setup }: Scene): Found<AgreedFinding>[] {
  const { whiteBalance } = setup.stage
  if (!whiteBalance || whiteBalance.lights === printLights(setup)) return []
  const { kelvin, on } = whiteBalance
  return [{ about: ['white-balance'], roleId: null, level: 'advise', code: 'white-balance-old', kelvin, on }]
}

function judgeAutomatic(scene: Scene): Found<AgreedFinding>[] {
  const { sources } = factOf(scene, listColours)
  const coloured = sources.filter((it) => it.isMeant).map((it) => it.label)
  if (coloured.length === 0) return []
  return factOf(scene, listCameraLooks).flatMap(({ role, tag, unitId, roleId }): Found<AgreedFinding>[] => {
    const card = role.settings?.find((it) => READ_SETTINGS.kelvin.called.test(it.name.trim()))
    if (!card || !/\bauto|awb/i.test(card.value)) return []
    return [{ about: [unitId], roleId, level: 'warn', code: 'white-balance-auto', tag, itemKey: unitId, coloured }]
  })
}

function judgeRatio(scene: Scene): Found<AgreedFinding>[] {
  const { keyLux, fillLux } = factOf(scene, computeSetLook)
  const wanted = scene.setup.stage.ratioStops
  if (wanted === null || keyLux === null || fillLux === null) return []
  const there = findStops(keyLux, fillLux)
  if (Math.abs(there - wanted) <= RATIO_WITHIN_STOPS) return []
  return [{ about: ['ratio'], roleId: null, level: 'advise', code: 'ratio-off', wanted, there }]
}

function judgeEyesores({ setup }: Scene): Found<AgreedFinding>[] {
  return setup.stage.eyesores
    .filter((it) => it.cure.trim() === '')
    .map(({ id, what, roleId }) => ({
      about: [id],
      roleId: setup.roles.some((it) => it.id === roleId) ? roleId : null,
      level: 'advise',
      code: 'eyesore',
      what,
      camera: setup.roles.find((it) => it.id === roleId)?.name ?? '',
    }))
}
