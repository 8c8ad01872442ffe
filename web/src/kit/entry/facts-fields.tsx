import {
  ASKED_FACTS,
  type Category,
  canBeNone,
  exampleOf,
  FACT_WORDS,
  type FactKey,
  type Interface,
  isAnswer,
  labelFact,
  OWN_ANSWERS,
  type TemplateFacts,
  USUAL_ENDS,
} from '@exemplar/core'
import { useInterfacesQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { ComboField } from '../../foundation/form/combo-field.tsx'
import { TextField } from '../../foundation/form/field.tsx'
import { UnitPicker } from '../../foundation/form/unit-picker.tsx'
import { type FactTexts, NONE_CHOICE } from './facts.ts'
import { useMakeConnector } from './making.ts'

/** The questions of a kind, most telling first. */
export const listAskedFacts = (category: Category): readonly FactKey[] => ASKED_FACTS[category] ?? ['massGrams']

/** The facts worth asking for about a kind of thing. All optional: what is unknown stays unknown. */
export function FactsFields({
  category,
  asked = listAskedFacts(category),
  texts,
  usual = {},
  problems,
  onChange,
}: {
  category: Category
  asked?: readonly FactKey[]
  texts: FactTexts
  /** Texts that say no more than what is usual: told as that until they are changed. */
  usual?: FactTexts
  problems: Record<string, string>
  /** Changes what stands by then: an answer that is made on the way comes when others were typed already. */
  onChange(change: (texts: FactTexts) => FactTexts): void
}) {
  const { data: studio } = useStudioQuery()
  const system = studio?.unitSystem ?? 'metric'
  return (
    <div className="grid grid-cols-1 gap-3 md:grid-cols-2">
      {asked.map((key) => {
        const { form } = FACT_WORDS[key]
        const value = texts[key] ?? ''
        const hint = value !== '' && usual[key] === value ? 'As is usual; put it right where you know it.' : undefined
        const common = { label: labelFact(key, category), problem: problems[key], value, hint }
        const set = (value: string) => onChange((now) => ({ ...now, [key]: value }))
        if (form.kind === 'connector') {
          return <ConnectorField key={key} {...common} fact={key} category={category} onChange={set} />
        }
        return (
          <div key={key}>
            <TextField
              {...common}
              placeholder={form.kind === 'measure' ? exampleOf(form.measure, system) : sayUsual(key, category, [])}
              inputMode={form.kind === 'count' ? 'numeric' : undefined}
              onChange={(event) => set(event.target.value)}
            />
            {form.kind === 'measure' && (
              <UnitPicker label={common.label} text={value} measure={form.measure} onPick={set} />
            )}
          </div>
        )
      })}
    </div>
  )
}

function ConnectorField({
  fact,
  category,
  ...common
}: {
  fact: FactKey
  category: Category
  label: string
  problem: string | undefined
  hint: string | undefined
  value: string
  onChange(value: string): void
}) {
  const { data: interfaces = [] } = useInterfacesQuery()
  const make = useMakeConnector()
  const kind = OWN_ANSWERS[fact]
  const fitting = interfaces.filter((it) => isAnswer(fact, category, it))
  const choices = fitting.map((it) => ({ value: it.code, label: it.label }))
  const canMake = kind !== undefined && category !== 'clamp' && category !== 'plate' && category !== 'cell'
  return (
    <ComboField
      {...common}
      choices={canBeNone(fact) ? [...choices, NONE_CHOICE] : choices}
      recent={`${fact}-${kind ?? ''}`}
      placeholder={sayUsual(fact, category, interfaces) ?? 'Not known'}
      {...(canMake ? { makes: MADE[kind] ?? 'one', onMake: (label: string) => make(kind, label) } : {})}
    />
  )
}

const MADE: Readonly<Partial<Record<Interface['kind'], string>>> = {
  mount: 'mount',
  battery: 'battery family',
  card: 'form of card',
}

/** What such a thing usually has, where nothing is said. */
function sayUsual(fact: FactKey, category: Category, interfaces: readonly Interface[]): string | undefined {
  const usual: Partial<TemplateFacts> = USUAL_ENDS[category] ?? {}
  const own = usual[fact]
  if (own === undefined || own === null) return undefined
  return `Usually ${interfaces.find((it) => it.code === own)?.label ?? own}`
}
