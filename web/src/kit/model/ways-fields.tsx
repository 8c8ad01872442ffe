import type { Model, Port, PowerMode, RecordingMode } from '@exemplar/core'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { FigureField } from '../../foundation/form/figure-field.tsx'
import { MeasureField } from '../../foundation/form/measures.tsx'
import { RowsField } from '../../foundation/form/rows-field.tsx'

const SOURCE_NAMES = { mains: 'the mains', packs: 'packs', cells: 'cells' } as const

/** The ways to power a model, each with the end that it uses. */
export function PowerWaysField({
  ports,
  rows,
  onChange,
}: {
  ports: readonly Port[]
  rows: PowerMode[]
  onChange(rows: PowerMode[]): void
}) {
  return (
    <RowsField
      legend="Ways to power it: each with the end that it uses"
      add="Add a way"
      rows={rows}
      blank={() => ({
        id: `way-${rows.length + 1}`,
        label: '',
        source: 'mains' as const,
        milliwatts: null,
        portIds: [],
      })}
      onChange={onChange}
    >
      {(mode, setMode) => (
        <>
          <TextField label="Called" value={mode.label} onChange={(event) => setMode({ label: event.target.value })} />
          <SelectField
            label="From"
            value={mode.source}
            onChange={(event) => setMode({ source: event.target.value as PowerMode['source'] })}
          >
            {(Object.keys(SOURCE_NAMES) as PowerMode['source'][]).map((it) => (
              <option key={it} value={it}>
                {SOURCE_NAMES[it]}
              </option>
            ))}
          </SelectField>
          <MeasureField
            measure="power"
            label="Draws"
            value={mode.milliwatts}
            onChange={(milliwatts) => setMode({ milliwatts })}
          />
          <SelectField
            label="At"
            value={mode.portIds[0] ?? ''}
            onChange={(event) => setMode({ portIds: event.target.value ? [event.target.value] : [] })}
          >
            <option value="">None of its ends</option>
            {ports.map((it) => (
              <option key={it.id} value={it.id}>
                {it.id}
              </option>
            ))}
          </SelectField>
        </>
      )}
    </RowsField>
  )
}

/** The ways in which a model records, each with its rate. */
export function RecordingWaysField({
  rows,
  onChange,
}: {
  rows: Model['recordingModes']
  onChange(rows: Model['recordingModes']): void
}) {
  return (
    <RowsField
      legend="Ways to record"
      add="Add a way to record"
      rows={rows}
      blank={(): RecordingMode => ({ id: `mode-${rows.length + 1}`, label: '', kilobitsPerSecond: 50_000 })}
      onChange={onChange}
    >
      {(mode, setMode) => (
        <>
          <TextField label="Named" value={mode.label} onChange={(event) => setMode({ label: event.target.value })} />
          <FigureField
            label="Mbit/s"
            value={mode.kilobitsPerSecond / 1000}
            onChange={(value) => value && setMode({ kilobitsPerSecond: Math.round(value * 1000) })}
          />
          <FigureField
            label="Sensor used, mm wide"
            hint="where it crops"
            value={mode.activeWidthMm ?? null}
            onChange={(activeWidthMm) => setMode({ activeWidthMm: activeWidthMm || null })}
          />
        </>
      )}
    </RowsField>
  )
}
