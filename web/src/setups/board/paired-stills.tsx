import { sayWorking, type WorkingChange } from '@exemplar/core'
import { useRef } from 'react'
import { useInterfacesQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useAttachMutation, useAttachmentsQuery } from '../../studio/studio-api.ts'

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
  const { data } = useAttachmentsQuery({ subjectType: 'setup', subjectId: setupId })
  const may = useMay()
  if (!tag) return null
  return (
    <div>
      <h3 className="mb-1 font-semibold">What it does to the picture</h3>
      <div className="grid grid-cols-2 gap-3">
        {SIDES.map((side) => {
          const name = `${tag} ${side}`
          const still = data?.find((it) => it.mime.startsWith('image/') && it.name.startsWith(`${name}.`))
          return (
            <figure key={side}>
              {still ? (
                <img src={`/api/attachments/${still.id}/thumbnail`} alt={name} className="w-full border border-rule" />
              ) : (
                <span className="grid h-28 place-content-center border border-dashed border-rule-strong text-quiet">
                  no still yet
                </span>
              )}
              <figcaption className="mt-1 flex items-center justify-between gap-2">
                {side} {tag}
                {may('attach-files') && !still && <AttachStill setupId={setupId} name={name} />}
              </figcaption>
            </figure>
          )
        })}
      </div>
    </div>
  )
}

function AttachStill({ setupId, name }: { setupId: string; name: string }) {
  const [attach, { isLoading }] = useAttachMutation()
  const input = useRef<HTMLInputElement>(null)
  const run = useTold()
  const keep = (file: File) => {
    const ending = file.name.split('.').pop() ?? 'jpg'
    const named = new File([file], `${name}.${ending}`, { type: file.type })
    run(attach({ subjectType: 'setup', subjectId: setupId, file: named }).unwrap(), `${named.name} is kept.`)
  }
  return (
    <>
      <Button size="small" disabled={isLoading} onClick={() => input.current?.click()}>
        Add
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/webp"
        aria-label={`Still ${name}`}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0]
          if (file) keep(file)
          event.target.value = ''
        }}
      />
    </>
  )
}
