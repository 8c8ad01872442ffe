import { sayWorking, type WorkingChange } from '@exemplar/core'
import { useInterfacesQuery } from '../../foundation/api/api.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { KeptStill } from '../kept-still.tsx'

/** Every sum of which a figure is otherwise, before and after. */
export function ChangedFigures({ figures }: { figures: readonly WorkingChange[] }) {
  const { data: interfaces } = useInterfacesQuery()
  const { system } = useTimeWords()
  const labelOf = (code: string) => interfaces?.find((it) => it.code === code)?.label ?? code
  if (figures.length === 0) return null
  return (
    <ul>
      {figures.map(({ before, after }) => {
        const [was, is] = [before && sayWorking(before, labelOf, system), after && sayWorking(after, labelOf, system)]
        return (
          <li key={(was ?? is)?.title} className="flex flex-wrap justify-between gap-x-4 border-b border-rule py-1">
            <span>{(was ?? is)?.title}</span>
            <span className="figures">
              {was?.summary ?? 'none'} → {is?.summary ?? 'none'}
            </span>
          </li>
        )
      })}
    </ul>
  )
}

const SIDES = ['with', 'without'] as const

/** Two stills of one picture, with a thing and without it: kept with the setup, found by their name. */
export function PairedStills({ setupId, tag }: { setupId: string; tag: string }) {
  if (!tag) return null
  return (
    <div>
      <h3 className="mb-1 font-semibold">What it does to the picture</h3>
      <div className="grid grid-cols-2 gap-3">
        {SIDES.map((side) => (
          <KeptStill key={side} setupId={setupId} name={`${tag} ${side}`} caption={`${side} ${tag}`} />
        ))}
      </div>
    </div>
  )
}
