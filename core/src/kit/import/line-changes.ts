import { formatMoney } from '../../units/money.ts'
import { ACQUISITIONS, LIFE_STATES, type NewUnit } from '../unit/unit.ts'
import type { ImportLine, KnownUnit } from './import-plan.ts'

/** What a line says of a thing: only what it says, so that a blank cell never wipes anything. */
export interface Given {
  fields: Partial<Pick<NewUnit, (typeof COMPARED)[number]>>
  valueMinor: number | null
  insuredMinor: number | null
  warrantyUntil: string | null
  placeKey: string | null
}

const COMPARED = [
  'serial',
  'acquisition',
  'acquiredOn',
  'priceMinor',
  'serviceEveryDays',
  'note',
  'state',
  'nickname',
  'dueOn',
] as const

const FIELD_NAMES: Readonly<Record<(typeof COMPARED)[number], string>> = {
  serial: 'serial',
  acquisition: 'acquisition',
  acquiredOn: 'acquired on',
  priceMinor: 'price',
  serviceEveryDays: 'service every',
  note: 'note',
  state: 'state',
  nickname: 'nickname',
  dueOn: 'due on',
}

/** How what changes is called. */
export interface Naming {
  currency: string
  nameOfPlace(key: string | null): string
}

/** What a line would change of a thing, field by field. */
export function listChanges(unit: KnownUnit, given: Given, naming: Naming): ImportLine['changes'] {
  const changes: ImportLine['changes'] = []
  if (unit.archivedAt !== null) changes.push({ field: 'archive', before: 'archived', after: 'in the kit' })
  for (const field of COMPARED) {
    const after = given.fields[field]
    if (after === undefined || after === unit[field]) continue
    changes.push({
      field: FIELD_NAMES[field],
      before: say(field, unit[field], naming),
      after: say(field, after, naming),
    })
  }
  const papers = [
    ['value', unit.provenance.valueMinor, given.valueMinor],
    ['insured for', unit.provenance.insuredMinor, given.insuredMinor],
    ['warranty until', unit.provenance.warrantyUntil, given.warrantyUntil],
  ] as const
  for (const [field, before, after] of papers) {
    if (after === null || after === before) continue
    const sayPaper = (it: string | number | null) =>
      typeof it === 'number' ? formatMoney(it, naming.currency) : (it ?? '')
    changes.push({ field, before: sayPaper(before), after: sayPaper(after) })
  }
  if (given.placeKey !== null && given.placeKey !== unit.placeId)
    changes.push(describeMove(unit.placeId, given.placeKey, naming))
  return changes
}

export function describeMove(
  before: string | null,
  after: string | null,
  { nameOfPlace }: Naming,
): ImportLine['changes'][number] {
  return { field: 'place', before: nameOfPlace(before), after: nameOfPlace(after) }
}

function say(field: (typeof COMPARED)[number], value: unknown, { currency }: Naming): string {
  if (value === null || value === '') return ''
  if (field === 'priceMinor') return formatMoney(Number(value), currency)
  if (field === 'acquisition') return ACQUISITIONS[value as keyof typeof ACQUISITIONS]
  if (field === 'state') return LIFE_STATES[value as keyof typeof LIFE_STATES].label
  return String(value)
}
