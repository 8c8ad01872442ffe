import type { ModelRow } from '@exemplar/core'
import { CATEGORIES } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { PageHead, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { VirtualRows } from '../../foundation/parts/virtual-rows.tsx'
import { useMergeModelMutation, useModelsQuery } from '../kit-api.ts'
import { ModelDialog } from './model-dialog.tsx'

const nameOf = (model: ModelRow) => [model.maker, model.name].filter(Boolean).join(' ')

/** Every model, how many there are of it, and the way to make two names of one model one. */
export function ModelsPage() {
  const { data, error, refetch } = useModelsQuery()
  const [merging, setMerging] = useState<ModelRow | null>(null)
  const [changing, setChanging] = useState<{ id: string; name: string } | null>(null)
  const may = useMay()
  if (!data) return <Waiting what="the models" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Models" aside={`${data.length} of them`} />
      <div className="overflow-x-auto px-4 pt-2 pb-6 md:px-5">
        <table>
          <thead>
            <tr>
              <th scope="col">Model</th>
              <th scope="col" className="hidden sm:table-cell">
                Kind
              </th>
              <th scope="col" className="hidden md:table-cell">
                Also called
              </th>
              <th scope="col" className="text-right">
                Things
              </th>
              <th scope="col">
                <span className="sr-only">Act</span>
              </th>
            </tr>
          </thead>
          <VirtualRows rows={data} rowHeight={37} span={5}>
            {(model, place) => (
              <tr key={model.id} {...place}>
                <td className="font-medium">
                  <Link to={`/kit?find=${encodeURIComponent(nameOf(model))}`}>{nameOf(model)}</Link>
                </td>
                <td className="hidden text-quiet sm:table-cell">{CATEGORIES[model.category].label}</td>
                <td className="hidden text-quiet md:table-cell">{model.aliases.join(', ')}</td>
                <td className="figures text-right">{model.things}</td>
                <td className="text-right">
                  {may('change-kit') && (
                    <span className="inline-flex gap-2">
                      <Button
                        size="small"
                        aria-label={`What ${nameOf(model)} is`}
                        onClick={() => setChanging({ id: model.id, name: nameOf(model) })}
                      >
                        What it is
                      </Button>
                      <Button
                        size="small"
                        aria-label={`${nameOf(model)} is the same as …`}
                        onClick={() => setMerging(model)}
                      >
                        Same as …
                      </Button>
                    </span>
                  )}
                </td>
              </tr>
            )}
          </VirtualRows>
        </table>
      </div>
      <ModelDialog of={changing} onClose={() => setChanging(null)} />
      <SheetDialog
        open={merging !== null}
        onClose={() => setMerging(null)}
        title={merging ? `${nameOf(merging)} is the same as …` : ''}
        description="All its things become that model. Its name stays as another name of it, so that lists with it are understood."
      >
        {merging && <MergeForm model={merging} models={data} onClose={() => setMerging(null)} />}
      </SheetDialog>
    </>
  )
}

function MergeForm({ model, models, onClose }: { model: ModelRow; models: ModelRow[]; onClose(): void }) {
  const [intoId, setIntoId] = useState('')
  const [merge] = useMergeModelMutation()
  const run = useTold()
  return (
    <form
      className="flex items-end gap-3"
      onSubmit={async (event) => {
        event.preventDefault()
        if (!intoId) return
        const work = merge({ id: model.id, version: model.version, intoId }).unwrap()
        if (await run(work, `${nameOf(model)} is one with the other now.`)) onClose()
      }}
    >
      <SelectField label="The other model" value={intoId} onChange={(event) => setIntoId(event.target.value)}>
        <option value="">Choose …</option>
        {models
          .filter((it) => it.category === model.category && it.id !== model.id)
          .map((it) => (
            <option key={it.id} value={it.id}>
              {nameOf(it)}
            </option>
          ))}
      </SelectField>
      <Button look="act" type="submit" className="h-9" disabled={!intoId}>
        They are one
      </Button>
    </form>
  )
}
