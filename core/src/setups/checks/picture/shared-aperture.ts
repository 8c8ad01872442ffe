import { findStopsBetween } from '../../../formulas/picture/exposure.ts'
import { trim } from '../../../units/quantity.ts'
import { type LookLine, sayLine, sayOpen } from '../look-line.ts'
import { factOf, type Scene } from '../scene.ts'
import { listCameraLooks } from './camera-look.ts'

/** The widest aperture that all lenses of the setup reach as they are set, and what it costs each. */
export function saySharedAperture(scene: Scene): LookLine[] {
  const cameras = factOf(scene, listCameraLooks)
  if (cameras.length < 2) return []
  const label = 'One aperture for all'
  const open = cameras.filter((it) => it.widestFNumber === null)
  if (open.length > 0) {
    return [
      sayOpen(
        'shared-aperture',
        label,
        open.map((it) => `how wide ${it.lens?.tag ?? it.tag} opens as it is set`),
      ),
    ]
  }
  const shared = Math.max(...cameras.map((it) => it.widestFNumber ?? 0))
  const each = cameras.map(({ tag, lens, widestFNumber }) => {
    const lost = findStopsBetween(widestFNumber ?? shared, shared)
    const name = lens?.tag ?? tag
    return { name, widest: widestFNumber ?? shared, lost }
  })
  const costs = each.filter((it) => it.lost >= 0.05)
  const slowest = each.filter((it) => it.lost < 0.05).map((it) => it.name)
  return [
    sayLine(
      'shared-aperture',
      label,
      `f/${trim(shared, 1)}, as ${slowest.join(' and ')} ${slowest.length === 1 ? 'opens' : 'open'} no wider${costs.length === 0 ? '' : `; ${costs.map((it) => `${it.name} loses ${trim(it.lost, 1)} stops`).join(', ')}`}.`,
      {
        sums: each.map((it) => [
          it.name,
          `2 · log₂(${trim(shared, 1)} / ${trim(it.widest, 1)}) = ${trim(it.lost, 2)} stops`,
        ]),
        assumptions: ['F-numbers as marked; a zoom counts as it is at its focal length in use.'],
        source: 'definition',
      },
    ),
  ]
}
