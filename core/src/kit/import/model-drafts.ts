import { formatData, formatEnergy, formatMass } from '../../units/quantity.ts'
import type { Category } from '../model/category.ts'
import type { Interface } from '../model/interface.ts'
import { type Model, nameModel, type Specs } from '../model/model.ts'
import { findDoubts } from '../model/plausibility.ts'
import { sayDoubt } from '../model/plausibility-words.ts'
import { makeModelFromTemplate } from '../template/template.ts'
import type { TemplateFacts } from '../template/template-facts.ts'
import type { ImportLine, ImportPlan } from './import-plan.ts'
import { identifyModel, type KnownKit } from './known-kit.ts'

type SummedSpec = 'massGrams' | 'energyMilliwattHours' | 'capacityMegabytes'
const SUMMED: readonly [SummedSpec, label: string, say: (value: number) => string][] = [
  ['massGrams', 'mass', formatMass],
  ['energyMilliwattHours', 'energy', formatEnergy],
  ['capacityMegabytes', 'capacity', formatData],
]

interface ModelDraft {
  key: string
  category: Category
  maker: string
  name: string
  facts: Partial<TemplateFacts>
  entry: ImportLine
}

/**
 * The models that a list brings or speaks of. A model is made only when all its lines were read, as one line may tell what
 * another left open.
 */
export class ModelDrafts {
  private readonly plan: ImportPlan
  private readonly kit: KnownKit
  private readonly interfaceCodes = new Map<string, string>()
  private readonly drafts = new Map<string, ModelDraft>()
  /** What the lines of a model say of its figures; where they do not agree, none of them counts. */
  private readonly said = new Map<string, Map<SummedSpec, { values: Set<number>; entry: ImportLine }>>()

  constructor(plan: ImportPlan, kit: KnownKit, interfaces: readonly Interface[]) {
    this.plan = plan
    this.kit = kit
    for (const it of interfaces) {
      this.interfaceCodes.set(it.code.toLowerCase(), it.code)
      this.interfaceCodes.set(it.label.toLowerCase(), it.code)
    }
  }

  /** The key of the model of a line: its id where it is here, else that of a draft. */
  findMutably(
    category: Category,
    maker: string,
    name: string,
    facts: Partial<TemplateFacts>,
    entry: ImportLine,
  ): string {
    const known = this.kit.findModel(category, maker, name)
    const identity = identifyModel(category, nameModel({ maker, name }))
    const draft = this.drafts.get(identity)
    const key = known?.id ?? draft?.key ?? `new-model-${this.drafts.size + 1}`
    this.noteSaidMutably(key, facts, entry)
    if (known) return key
    // What an earlier line left open, a later one of the same model may tell.
    if (draft) draft.facts = { ...facts, ...draft.facts }
    else this.drafts.set(identity, { key, category, maker, name, facts, entry })
    return key
  }

  /** Makes the models from all that their lines said, and settles what the lines say of models that are here. */
  finishMutably(): void {
    for (const { key, category, maker, name, facts, entry } of this.drafts.values()) {
      const agreed = { ...facts, ...this.listAgreed(key) }
      const model = makeModelFromTemplate(category, maker, name, this.resolveInterfacesMutably(agreed, entry))
      this.plan.models.push({ key, model })
      entry.remarks.push(...findDoubts(category, model.specs, agreed).map(sayDoubt))
    }
    for (const [id] of this.said) {
      const model = this.kit.modelById.get(id)
      if (model) this.updateModelMutably(model)
    }
  }

  private updateModelMutably(model: Model): void {
    const specs: Partial<Specs> = {}
    for (const [key, label, say] of SUMMED) {
      const said = this.said.get(model.id)?.get(key)
      const [value] = said?.values ?? []
      if (!said || value === undefined || said.values.size !== 1 || model.specs[key] === value) continue
      specs[key] = value
      const before = model.specs[key]
      said.entry.changes.push({
        field: `${label} of ${nameModel(model)}`,
        before: before === null ? '' : say(before),
        after: say(value),
      })
      if (said.entry.outcome === 'same') said.entry.outcome = 'update'
    }
    if (Object.keys(specs).length > 0) this.plan.modelUpdates.push({ id: model.id, specs })
  }

  private listAgreed(key: string): Partial<Record<SummedSpec, number>> {
    const agreed: Partial<Record<SummedSpec, number>> = {}
    for (const [spec, { values }] of this.said.get(key) ?? []) {
      const [first] = values
      if (first !== undefined) agreed[spec] = first
    }
    return agreed
  }

  noteSaidMutably(key: string, facts: Partial<TemplateFacts>, entry: ImportLine): void {
    for (const [spec] of SUMMED) {
      const value = facts[spec]
      if (typeof value !== 'number') continue
      const ofModel = this.said.get(key) ?? new Map<SummedSpec, { values: Set<number>; entry: ImportLine }>()
      this.said.set(key, ofModel)
      const known = ofModel.get(spec)
      if (!known) ofModel.set(spec, { values: new Set([value]), entry })
      else if (known.values.size > 0 && !known.values.has(value)) {
        known.values.add(value)
        entry.remarks.push(`Other lines of ${entry.name} say otherwise, so the first counts where nothing was known.`)
      }
    }
  }

  /** Names of mounts and battery families become codes; a name nobody knows becomes one of the studio's own. */
  private resolveInterfacesMutably(facts: Partial<TemplateFacts>, entry: ImportLine): Partial<TemplateFacts> {
    const resolve = (name: string | null | undefined, kind: 'mount' | 'battery'): string | null => {
      if (!name) return null
      const known = this.interfaceCodes.get(name.toLowerCase())
      if (known) return known
      const stem = name
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .slice(0, 40)
      const taken = new Set(this.interfaceCodes.values())
      let code = `${kind}-${stem || 'own'}`
      for (let n = 2; taken.has(code); n++) code = `${kind}-${stem || 'own'}-${n}`
      this.interfaceCodes.set(name.toLowerCase(), code)
      this.plan.interfaces.push({ code, label: name, kind })
      entry.adds.push(`${kind} ${name}`)
      return code
    }
    const find = (name: string | null | undefined) =>
      name ? (this.interfaceCodes.get(name.toLowerCase()) ?? null) : null
    return {
      ...facts,
      mount: resolve(facts.mount, 'mount'),
      battery: resolve(facts.battery, 'battery'),
      inlet: find(facts.inlet) ?? findInlet(facts.inlet ?? ''),
      endA: find(facts.endA),
      endB: find(facts.endB),
    }
  }
}

/** Both ends of a coupler are named alike: C7 on the lead, C8 on the device. */
function findInlet(text: string): string | null {
  if (/^(iec )?c ?[78]$/i.test(text)) return 'iec-c7'
  if (/^(iec )?c ?1[34]$/i.test(text)) return 'iec-c13'
  return null
}
