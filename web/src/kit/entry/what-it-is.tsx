import {
  ASKED_SPECS,
  type Category,
  findDoubts,
  listUsualOf,
  type MoreSpecs,
  STARTER_MODELS,
  sayDoubt,
  type UnitSystem,
  writeSpecs,
} from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { MoreFields } from '../../foundation/form/more-fields.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { type FactTexts, readTypedFacts, writeFacts } from './facts.ts'
import { FactsFields, listAskedFacts } from './facts-fields.tsx'
import { SpecFields } from './spec-fields.tsx'
import { readSpecs, type SpecTexts } from './specs.ts'

type TypedFacts = ReturnType<typeof readTypedFacts>['facts']

/** Everything that is typed about what a thing is: the same questions wherever one is entered. */
export interface WhatItIs {
  category: Category
  name: string
  factTexts: FactTexts
  specTexts: SpecTexts
  usualTexts: FactTexts
  problems: Record<string, string>
  doubts: string[]
  setCategory(kind: Category): void
  setName(name: string): void
  setFactTexts(change: (texts: FactTexts) => FactTexts): void
  setSpecTexts(texts: SpecTexts): void
  takeStarter(name: string): void
  /** What is typed, or null where a field cannot be read or something sounds unlikely; both is shown then. */
  read(): { facts: TypedFacts; specs: MoreSpecs; usual: string[] } | null
  /** For the next thing of that kind: what was told of the last one is no answer for it. */
  startOver(): void
}

export function useWhatItIs(start: Category): WhatItIs {
  const { data: studio } = useStudioQuery()
  const system: UnitSystem = studio?.unitSystem ?? 'metric'
  const [category, setOwnCategory] = useState<Category>(start)
  const [name, setName] = useState('')
  const [factTexts, setFactTexts] = useState<FactTexts>({})
  const [specTexts, setSpecTexts] = useState<SpecTexts>({})
  const [problems, setProblems] = useState<Record<string, string>>({})
  /** What a common thing brought along and nobody touched: no more than usual. */
  const [usualTexts, setUsualTexts] = useState<FactTexts>({})
  /** What was asked about and not answered yet; adding once more means that it is right. */
  const [doubts, setDoubts] = useState<string[]>([])
  const setCategory = (kind: Category) => {
    setOwnCategory(kind)
    // What both kinds are asked stays: nothing that was typed is lost by looking for the right word.
    const asked = new Set<string>(listAskedFacts(kind))
    setFactTexts(Object.fromEntries(Object.entries(factTexts).filter(([key]) => asked.has(key))))
    const further = new Set<string>(ASKED_SPECS[kind] ?? [])
    setSpecTexts(Object.fromEntries(Object.entries(specTexts).filter(([key]) => further.has(key))))
    setUsualTexts({})
    setDoubts([])
  }
  return {
    category,
    name,
    factTexts,
    specTexts,
    usualTexts,
    problems,
    doubts,
    setCategory,
    setName,
    setFactTexts,
    setSpecTexts,
    takeStarter(chosen) {
      const starter = STARTER_MODELS.find((it) => it.name === chosen)
      if (!starter) return
      setOwnCategory(starter.category)
      setName(starter.name)
      const texts = writeFacts(starter.facts, system)
      setFactTexts(texts)
      setUsualTexts(Object.fromEntries(listUsualOf(starter).map((key) => [key, texts[key]])))
      setSpecTexts(writeSpecs(starter.more ?? {}, system))
      setDoubts([])
    },
    read() {
      const { facts, problems: unreadFacts } = readTypedFacts(factTexts, system)
      const { specs, problems: unreadSpecs } = readSpecs(specTexts, system)
      const all = {
        ...unreadFacts,
        ...unreadSpecs,
        ...(name.trim() ? {} : { name: 'Give it a name, even a nickname.' }),
      }
      setProblems(all)
      if (Object.keys(all).length > 0) return null
      const asked = findDoubts(category, { ...facts, more: specs }, facts).map(sayDoubt)
      if (asked.some((it) => !doubts.includes(it))) {
        setDoubts(asked)
        return null
      }
      const usual = Object.entries(usualTexts).flatMap(([key, text]) =>
        text !== undefined && factTexts[key as keyof FactTexts] === text ? [key] : [],
      )
      return { facts, specs, usual }
    },
    startOver() {
      setName('')
      setFactTexts({})
      setSpecTexts({})
      setUsualTexts({})
      setDoubts([])
    },
  }
}

/** So many questions stand at once; the rest waits behind a word. */
const SHOWN = 5

/** The questions of the kind: the most telling in sight, all others one push away. */
export function WhatItIsFields({
  it,
  problems,
  children,
}: {
  it: WhatItIs
  /** What the server said, by field. */
  problems: Record<string, string> | undefined
  children?: React.ReactNode
}) {
  const all = { ...it.problems, ...stripPaths(problems) }
  const asked = listAskedFacts(it.category)
  const common = {
    category: it.category,
    texts: it.factTexts,
    usual: it.usualTexts,
    problems: all,
    onChange: it.setFactTexts,
  }
  const rest = asked.slice(SHOWN)
  const hasSpecs = (ASKED_SPECS[it.category] ?? []).length > 0
  const isInRest = Object.keys(all).some((key) => key !== 'name' && !asked.slice(0, SHOWN).some((own) => own === key))
  return (
    <>
      <FactsFields {...common} asked={asked.slice(0, SHOWN)} />
      {(rest.length > 0 || hasSpecs || children) && (
        <MoreFields summary="More, where you know it" hasProblem={isInRest}>
          {children}
          {rest.length > 0 && <FactsFields {...common} asked={rest} />}
          <SpecFields category={it.category} texts={it.specTexts} problems={all} onChange={it.setSpecTexts} />
        </MoreFields>
      )}
      {it.doubts.length > 0 && (
        <div role="alert" className="grid gap-1 border-l-4 border-warn px-3 py-1">
          {it.doubts.map((doubt) => (
            <Mark key={doubt} level="warn">
              {doubt}
            </Mark>
          ))}
          <p className="text-[12px] text-quiet">If it is right, add it once more.</p>
        </div>
      )}
    </>
  )
}

/** `facts/mount` stands at the field `mount`. */
const stripPaths = (problems: Record<string, string> | undefined) =>
  Object.fromEntries(Object.entries(problems ?? {}).map(([key, text]) => [key.replace(/^(facts|specs)\//, ''), text]))
