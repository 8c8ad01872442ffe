import type { PlugSystemCode } from '../../studio/places/plug-systems.ts'
import type { Category } from '../model/category.ts'
import { EMPTY_MODEL, type NewModel, NO_SPECS, type Specs } from '../model/model.ts'
import type { MoreSpecs } from '../model/spec.ts'
import { addPowerMutably, type Draft, type Fills } from './draft-ends.ts'
import { readFacts } from './known-facts.ts'
import { LIGHT_AND_SOUND_FILLS } from './light-and-sound-fills.ts'
import { PICTURE_FILLS } from './picture-fills.ts'
import { POWER_AND_MEDIA_FILLS } from './power-and-media-fills.ts'
import { SUPPORT_FILLS } from './support-fills.ts'
import { type FactKey, NO_FACTS, type TemplateFacts } from './template-facts.ts'
import { USUAL_ENDS } from './usual-ends.ts'

const FILLS: Fills = { ...PICTURE_FILLS, ...LIGHT_AND_SOUND_FILLS, ...SUPPORT_FILLS, ...POWER_AND_MEDIA_FILLS }

/** The sockets that leads and strips end in where nobody says otherwise. */
export const DEFAULT_PLUGS: PlugSystemCode = 'british'

const makeDraft = (): Draft => ({ ports: [], powerModes: [], recordingModes: [] })

/** The end and the way of powering of a battery family, a cell or a mains inlet, and what it draws where that was told. */
export function makePowerOf(
  code: string,
  milliwatts: number | null = null,
  batteryCount: number | null = null,
): Pick<NewModel, 'ports' | 'powerModes'> {
  const draft = makeDraft()
  const source = code.startsWith('iec-') ? { inlet: code } : { battery: code, batteryCount }
  addPowerMutably({ ...NO_FACTS, ...source, milliwatts }, draft)
  return { ports: draft.ports, powerModes: draft.powerModes }
}

/** All three sides or nothing: half a size fits no room. A width that cannot be set has one end. */
function findFootprint({ widthMinMm, widthMaxMm, depthMm, heightMm }: TemplateFacts): Specs['footprint'] {
  const narrow = widthMinMm ?? widthMaxMm
  if (!narrow || !depthMm || !heightMm) return null
  return { widthMinMm: narrow, widthMaxMm: Math.max(narrow, widthMaxMm ?? narrow), depthMm, heightMm }
}

/** What is known, without what is not. */
function listTold(facts: Partial<TemplateFacts>): [FactKey, string | number][] {
  return (Object.entries(facts) as [FactKey, string | number | null | undefined][]).flatMap(([key, value]) =>
    value === null || value === undefined ? [] : [[key, value]],
  )
}

/**
 * Makes a model of a category with the ports, powering and recording that such a thing usually has. What is told and has no
 * place at any of them yet, such as watts of a lamp of which nobody said how it is fed, is kept as `specs.told`.
 */
export function makeModelFromTemplate(
  category: Category,
  maker: string,
  name: string,
  facts: Partial<TemplateFacts> = {},
  { plugs = DEFAULT_PLUGS, more = {} }: { plugs?: PlugSystemCode; more?: MoreSpecs } = {},
): NewModel {
  const told = listTold(facts)
  const known: TemplateFacts = { ...NO_FACTS, ...USUAL_ENDS[category], ...Object.fromEntries(told) }
  const draft = makeDraft()
  FILLS[category]?.(known, draft, plugs)
  const specs: Specs = {
    ...NO_SPECS,
    massGrams: known.massGrams,
    energyMilliwattHours: known.energyMilliwattHours,
    capacityMegabytes: known.capacityMegabytes,
    footprint: findFootprint(known),
    more,
  }
  const made = { ...EMPTY_MODEL, maker, name, category, specs, ...draft }
  const placed = readFacts(made)
  const unplaced = told.filter(([key, value]) => placed[key] !== value)
  return unplaced.length === 0 ? made : { ...made, specs: { ...specs, told: Object.fromEntries(unplaced) } }
}
