import { KIT_ONLY, KIT_SORTS, type KitFilter, kitFilterSchema } from '@exemplar/core'
import { useInterfacesQuery, useSetupNamesQuery } from '../../foundation/api/api.ts'
import { SelectField, TextField } from '../../foundation/form/field.tsx'
import { CategoryOptions, PlaceOptions, StateOptions } from '../../foundation/form/options.tsx'
import { Button } from '../../foundation/parts/button.tsx'

/** The parts of a filter that stand in the address of the page, so that a view can be kept, shared and gone back to. */
const KEYS = Object.keys(kitFilterSchema.shape) as (keyof KitFilter)[]

export function readFilter(params: URLSearchParams): KitFilter {
  const found = Object.fromEntries(
    KEYS.flatMap((key) => {
      const value = params.get(key)
      return value ? [[key, value]] : []
    }),
  )
  const { data } = kitFilterSchema.safeParse(found)
  return data ?? {}
}

export function writeFilter(filter: KitFilter, params: URLSearchParams): URLSearchParams {
  const next = new URLSearchParams(params)
  for (const key of KEYS) {
    const value = filter[key]
    if (value === undefined || value === '') next.delete(key)
    else next.set(key, String(value))
  }
  return next
}

export function countFilters({ find: _find, sort: _sort, ...filter }: KitFilter): number {
  return Object.values(filter).filter((it) => it !== undefined).length
}

/** Everything by which the kit can be filtered, each with the others. */
export function KitFilterBar({ filter, onChange }: { filter: KitFilter; onChange(filter: KitFilter): void }) {
  const { data: interfaces } = useInterfacesQuery()
  const { data: setups } = useSetupNamesQuery()
  const set = (part: Partial<Record<keyof KitFilter, string>>) => {
    const { data } = kitFilterSchema.safeParse(
      Object.fromEntries(
        Object.entries({ ...filter, ...part }).filter(([, value]) => value !== '' && value !== undefined),
      ),
    )
    if (data) onChange(data)
  }
  return (
    <fieldset className="grid grid-cols-2 gap-3 border-y border-rule px-4 py-3 sm:grid-cols-3 md:px-5 lg:grid-cols-5">
      <legend className="sr-only">Filters</legend>
      <SelectField
        label="Kind"
        value={filter.category ?? ''}
        onChange={(event) => set({ category: event.target.value })}
      >
        <option value="">Any</option>
        <CategoryOptions />
      </SelectField>
      <SelectField
        label="Place"
        value={filter.placeId ?? ''}
        onChange={(event) => set({ placeId: event.target.value })}
      >
        <PlaceOptions none="Anywhere" />
      </SelectField>
      <SelectField label="State" value={filter.state ?? ''} onChange={(event) => set({ state: event.target.value })}>
        <option value="">Any</option>
        <StateOptions />
      </SelectField>
      <SelectField
        label="Setup"
        value={filter.setupId ?? ''}
        onChange={(event) => set({ setupId: event.target.value })}
      >
        <option value="">Any or none</option>
        {setups?.map((it) => (
          <option key={it.id} value={it.id}>
            {it.name}
          </option>
        ))}
      </SelectField>
      <SelectField
        label="Meets at"
        value={filter.interface ?? ''}
        onChange={(event) => set({ interface: event.target.value })}
      >
        <option value="">Any interface</option>
        {interfaces?.map((it) => (
          <option key={it.code} value={it.code}>
            {it.label}
          </option>
        ))}
      </SelectField>
      <SelectField label="Only" value={filter.only ?? ''} onChange={(event) => set({ only: event.target.value })}>
        <option value="">Everything</option>
        {Object.entries(KIT_ONLY).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Free on"
        type="date"
        value={filter.freeOn ?? ''}
        onChange={(event) => set({ freeOn: event.target.value })}
      />
      <SelectField
        label="Idle for"
        value={String(filter.idleMonths ?? '')}
        onChange={(event) => set({ idleMonths: event.target.value })}
      >
        <option value="">Any time</option>
        {[3, 6, 12, 24].map((months) => (
          <option key={months} value={months}>
            {months} months or more
          </option>
        ))}
      </SelectField>
      <SelectField
        label="In the order of"
        value={filter.sort ?? 'tag'}
        onChange={(event) => set({ sort: event.target.value })}
      >
        {Object.entries(KIT_SORTS).map(([code, label]) => (
          <option key={code} value={code}>
            {label}
          </option>
        ))}
      </SelectField>
      <Button className="self-end" onClick={() => onChange({})}>
        Clear filters
      </Button>
    </fieldset>
  )
}
