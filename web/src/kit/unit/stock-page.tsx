import { CATEGORIES, type StockRow } from '@exemplar/core'
import { useState } from 'react'
import { useCountStockMutation, useStockQuery } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellDone } from '../../foundation/api/tell-done.ts'
import { TextField } from '../../foundation/form/field.tsx'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Empty, PageHead, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { ModelDialog } from '../model/model-dialog.tsx'
import { StockForm } from './stock-form.tsx'

export function StockPage() {
  const { data, error, refetch } = useStockQuery()
  const [counting, setCounting] = useState<StockRow | null>(null)
  const [changing, setChanging] = useState<StockRow | 'new' | null>(null)
  const [describing, setDescribing] = useState<{ id: string; name: string } | null>(null)
  const may = useMay()
  if (!data) return <Waiting what="the stock" error={error} onRetry={refetch} />
  return (
    <>
      <PageHead title="Stock" aside="counted, not tagged one by one">
        <ButtonLink to="/kit/count">Count a place</ButtonLink>
        {may('change-kit') && (
          <Button look="act" onClick={() => setChanging('new')}>
            Add a kind
          </Button>
        )}
      </PageHead>
      <div className="overflow-x-auto px-4 pb-6 md:px-5">
        {data.length === 0 ? (
          <Empty title="No stock yet">
            Sandbags, clamps, cells and tape: add a kind here, or bring them in with a list.
          </Empty>
        ) : (
          <table>
            <thead>
              <tr>
                <th scope="col">Tag</th>
                <th scope="col">What</th>
                <th scope="col" className="hidden sm:table-cell">
                  Kind
                </th>
                <th scope="col" className="hidden sm:table-cell">
                  Place
                </th>
                <th scope="col" className="text-right">
                  Left
                </th>
                <th scope="col" className="text-right">
                  Reorder at
                </th>
                <th scope="col">
                  <span className="sr-only">Act</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {data.map((row) => (
                <tr key={row.id}>
                  <td>
                    <Tag>{row.tag}</Tag>
                  </td>
                  <td className="font-medium">{row.name}</td>
                  <td className="hidden text-quiet sm:table-cell">{CATEGORIES[row.category].label}</td>
                  <td className="hidden text-quiet sm:table-cell">{row.place}</td>
                  <td className="figures text-right">
                    {row.quantity <= row.reorderLevel && row.reorderLevel > 0 ? (
                      <Mark level="warn">{row.quantity}</Mark>
                    ) : (
                      row.quantity
                    )}
                  </td>
                  <td className="figures text-right text-quiet">{row.reorderLevel || '–'}</td>
                  <td className="text-right">
                    <span className="inline-flex gap-2">
                      {may('count-stock') && (
                        <Button size="small" onClick={() => setCounting(row)}>
                          Count
                        </Button>
                      )}
                      {may('change-kit') && (
                        <Button
                          size="small"
                          aria-label={`What ${row.name} is`}
                          onClick={() => setDescribing({ id: row.modelId, name: row.name })}
                        >
                          What it is
                        </Button>
                      )}
                      {may('change-kit') && (
                        <Button size="small" aria-label={`Change ${row.name}`} onClick={() => setChanging(row)}>
                          Change
                        </Button>
                      )}
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </div>
      <ModelDialog of={describing} onClose={() => setDescribing(null)} />
      <SheetDialog open={counting !== null} onClose={() => setCounting(null)} title={`Count ${counting?.name ?? ''}`}>
        {counting && <CountForm row={counting} onClose={() => setCounting(null)} />}
      </SheetDialog>
      <SheetDialog
        open={changing !== null}
        onClose={() => setChanging(null)}
        title={changing === 'new' ? 'A kind of stock' : `Change ${changing?.name ?? ''}`}
      >
        {changing && <StockForm row={changing === 'new' ? null : changing} onClose={() => setChanging(null)} />}
      </SheetDialog>
    </>
  )
}

function CountForm({ row, onClose }: { row: StockRow; onClose(): void }) {
  const [text, setText] = useState(String(row.quantity))
  const [count, { error }] = useCountStockMutation()
  const dispatch = useAppDispatch()
  const isWhole = /^\d{1,6}$/.test(text)
  return (
    <form
      className="flex items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (!isWhole) return
        count({ id: row.id, version: row.version, body: { quantity: Number(text) } })
          .unwrap()
          .then((reply) => {
            tellDone(dispatch, `${row.name}: ${text} counted.`, reply)
            onClose()
          })
          .catch(() => {})
      }}
    >
      <TextField
        label="How many are there?"
        inputMode="numeric"
        autoFocus
        value={text}
        problem={isWhole ? (error ? readProblem(error).detail : undefined) : 'Write a whole number.'}
        onChange={(event) => setText(event.target.value)}
      />
      <Button look="act" type="submit" className="h-9">
        Save
      </Button>
    </form>
  )
}
