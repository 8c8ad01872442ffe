import { isStillOf } from '@exemplar/core'
import { useRef } from 'react'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { Button } from '../foundation/parts/button.tsx'
import { useAttachMutation, useAttachmentsQuery } from '../studio/studio-api.ts'

/** One picture that is kept with a setup, found by its name, the newest; or a place for it. */
export function KeptStill({
  setupId,
  name,
  caption,
  isSmall = false,
}: {
  setupId: string
  name: string
  caption: string
  /** Takes no more room than a line until there is one. */
  isSmall?: boolean
}) {
  const { data } = useAttachmentsQuery({ subjectType: 'setup', subjectId: setupId })
  const may = useMay()
  const still = data?.filter((it) => isStillOf(name, it)).sort((a, b) => b.addedAt - a.addedAt)[0]
  return (
    <figure>
      {still ? (
        <img src={`/api/attachments/${still.id}/thumbnail`} alt={name} className="w-full border border-rule" />
      ) : (
        <span
          className={`grid place-content-center border border-dashed border-rule-strong text-quiet ${isSmall ? 'h-9' : 'h-28'}`}
        >
          no still yet
        </span>
      )}
      <figcaption className="mt-1 flex items-center justify-between gap-2">
        {caption}
        {may('attach-files') && <AttachStill setupId={setupId} name={name} isAnother={still !== undefined} />}
      </figcaption>
    </figure>
  )
}

function AttachStill({ setupId, name, isAnother }: { setupId: string; name: string; isAnother: boolean }) {
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
        {isAnother ? 'Another' : 'Add'}
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
