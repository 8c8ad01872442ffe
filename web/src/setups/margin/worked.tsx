import { type Readiness, sayPolicy, sayWorking, type Working } from '@exemplar/core'
import { memo } from 'react'
import { useInterfacesQuery } from '../../foundation/api/api.ts'
import { Mark } from '../../foundation/parts/mark.tsx'
import { WorkingPaper } from '../../foundation/parts/working-paper.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useWording } from '../../foundation/words/wording.ts'

/** Says a working with the policies that it followed among what it took for granted. */
export function useSaidWorking({ follows, usual }: Pick<Readiness, 'follows' | 'usual'>) {
  const { data } = useInterfacesQuery()
  const { system } = useTimeWords()
  const labelOf = (code: string) => data?.find((it) => it.code === code)?.label ?? code
  return (working: Working) => {
    const words = sayWorking(working, labelOf, system)
    const said = JSON.stringify(working)
    const onlyUsual = usual.filter((tag) => said.includes(JSON.stringify(tag)))
    return {
      ...words,
      assumptions: [
        ...words.assumptions,
        ...(onlyUsual.length > 0
          ? [
              `Of ${onlyUsual.join(', ')} only what is usual is recorded; where twice or half of it would decide, it is asked.`,
            ]
          : []),
        ...follows[working.formula].map(sayPolicy),
      ],
    }
  }
}

/** One sum with its figure and its working; said anew only where something of it changed, as there are dozens of them. */
export const Worked = memo(function Worked({
  working,
  ...taken
}: { working: Working } & Pick<Readiness, 'follows' | 'usual'>) {
  const say = useSaidWorking(taken)
  const isPlain = useWording() === 'plain'
  const words = say(working)
  return (
    <>
      <span className="flex items-baseline justify-between gap-3">
        <Mark level={working.level}>{words.title}</Mark>
        {!isPlain && <span className="figures">{words.summary}</span>}
      </span>
      <WorkingPaper words={words} />
    </>
  )
})
