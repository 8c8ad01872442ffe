import type { QueryOf } from '@exemplar/core'
import { FileText, X } from 'lucide-react'
import { useRef } from 'react'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'
import { useAttachMutation, useAttachmentsQuery, useDetachMutation } from '../studio-api.ts'

/** Photos and papers of a thing, place or setup. */
export function Attachments({ subjectType, subjectId }: QueryOf<'get /attachments'>) {
  const { data } = useAttachmentsQuery({ subjectType, subjectId })
  const [attach, { isLoading }] = useAttachMutation()
  const [detach] = useDetachMutation()
  const input = useRef<HTMLInputElement>(null)
  const run = useTold()
  const may = useMay()
  const canAttach = may('attach-files')
  if (!canAttach && data?.length === 0) return null
  return (
    <Section title="Photos and papers" aside={data?.length ? `${data.length}` : undefined}>
      <ul className="mt-2 flex flex-wrap gap-3">
        {data?.map((it) => (
          <li key={it.id} className="relative w-32">
            <a href={`/api/attachments/${it.id}/file`} target="_blank" rel="noreferrer" className="block no-underline">
              {it.mime.startsWith('image/') ? (
                <img
                  src={`/api/attachments/${it.id}/thumbnail`}
                  alt={it.name}
                  loading="lazy"
                  className="h-24 w-32 border border-rule object-cover"
                />
              ) : (
                <span className="grid h-24 w-32 place-content-center border border-rule">
                  <FileText className="size-6 text-quiet" aria-hidden />
                </span>
              )}
              <span className="block truncate text-[12px]">{it.name}</span>
            </a>
            {canAttach && (
              <button
                type="button"
                aria-label={`Take ${it.name} away`}
                className="absolute top-1 right-1 rounded-paper border border-rule-strong bg-sheet p-0.5"
                onClick={() => run(detach({ id: it.id, version: it.version }).unwrap(), `${it.name} is taken away.`)}
              >
                <X className="size-3.5" aria-hidden />
              </button>
            )}
          </li>
        ))}
      </ul>
      {canAttach && (
        <>
          <Button size="small" className="mt-2" disabled={isLoading} onClick={() => input.current?.click()}>
            {isLoading ? 'Attaching …' : 'Attach a photo or paper'}
          </Button>
          <input
            ref={input}
            type="file"
            accept="image/jpeg,image/png,image/webp,application/pdf"
            aria-label="Photo or paper"
            className="sr-only"
            tabIndex={-1}
            onChange={(event) => {
              const file = event.target.files?.[0]
              if (file) run(attach({ subjectType, subjectId, file }).unwrap(), `${file.name} is attached.`)
              event.target.value = ''
            }}
          />
        </>
      )}
    </Section>
  )
}
