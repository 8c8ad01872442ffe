import { z } from 'zod'
import type { Model } from './model.ts'

/** What a thing lives on. */
export const POWER_SOURCES = {
  mains: 'Mains',
  packs: 'Packs',
  cells: 'Cells',
  'own-pack': 'Its own pack',
  phantom: '48 V from its input',
  'plug-in': 'Plug-in power from its input',
  none: 'Nothing',
} as const
export type PowerSource = keyof typeof POWER_SOURCES
export const powerSourceSchema = z.enum(Object.keys(POWER_SOURCES) as [PowerSource, ...PowerSource[]])

/** Every way in which a model can be fed, the usual first. */
export function listPowerSources({ powerModes, specs }: Pick<Model, 'powerModes' | 'specs'>): PowerSource[] {
  const { fedBy } = specs.more
  const fed: PowerSource[] = fedBy === '48 V' ? ['phantom'] : fedBy === 'plug-in power' ? ['plug-in'] : []
  const own: PowerSource[] = fedBy === 'own pack' ? ['own-pack'] : []
  const sources: PowerSource[] = [...new Set<PowerSource>([...powerModes.map((it) => it.source), ...fed, ...own])]
  return sources.length > 0 ? sources : ['none']
}

/** The one that is chosen in a setup: by its way of powering there, else the usual one. */
export function findPowerSource(model: Pick<Model, 'powerModes' | 'specs'>, powerModeId: string | null): PowerSource {
  const mode = model.powerModes.find((it) => it.id === powerModeId)
  return mode?.source ?? listPowerSources(model)[0] ?? 'none'
}
