import type { KitFileReport } from '@exemplar/core'
import { useEffect } from 'react'
import { useNavigate } from 'react-router'
import { readProblem } from '../../foundation/api/problem.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { FormProblem } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { useImportKitFileMutation, usePreviewKitFileMutation } from '../kit-api.ts'

const NAMES: readonly [key: string, text: string][] = [
  ['units', 'things'],
  ['stock', 'kinds of stock'],
  ['models', 'models'],
  ['places', 'places'],
  ['interfaces', 'interfaces'],
  ['people', 'people'],
  ['parties', 'vendors and lenders'],
]

const say = (counts: KitFileReport['fresh']) =>
  NAMES.flatMap(([key, text]) => (counts[key] ? [`${counts[key]} ${text}`] : [])).join(', ')

/** What a kit file would bring, and the way to bring it. */
export function KitFilePanel({ text }: { text: string }) {
  const [preview, { data, error, isLoading }] = usePreviewKitFileMutation()
  const [bring, bringing] = useImportKitFileMutation()
  const run = useTold()
  const navigate = useNavigate()
  useEffect(() => {
    preview(text)
  }, [preview, text])
  if (isLoading) return <p role="status">Reading the kit file …</p>
  if (error) return <FormProblem text={readProblem(error).detail} />
  if (!data) return null
  const [fresh, changed] = [say(data.fresh), say(data.changed)]
  return (
    <div className="grid max-w-[75ch] gap-2">
      <Mark level="ok">This is a kit file.</Mark>
      <p>{fresh ? `New: ${fresh}.` : 'Nothing in it is new.'}</p>
      {changed && <p>Changed from what is here: {changed}.</p>}
      <p className="text-quiet">{data.unchanged} rows are here already and stay as they are.</p>
      <Button
        look="act"
        className="w-fit"
        disabled={(!fresh && !changed) || bringing.isLoading}
        onClick={() =>
          run(
            bring(text)
              .unwrap()
              .then(() => navigate('/kit')),
            'The kit file is in.',
          )
        }
      >
        Bring it in
      </Button>
    </div>
  )
}
