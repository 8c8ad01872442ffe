import { CATEGORIES, EXAMPLE_STUDIOS, type ExampleStudio, listExampleModels, PURPOSES, sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { usePlacesQuery } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellDone } from '../foundation/api/tell-done.ts'
import { FormProblem, SelectField } from '../foundation/form/field.tsx'
import { Button, ButtonLink } from '../foundation/parts/button.tsx'
import { PageHead } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { Silhouette } from '../foundation/parts/silhouette.tsx'
import { useStartExampleMutation } from './first-hour-api.ts'

/** Whole small studios to look at, and to start from: each brings its things, and a setup with them in their roles. */
export function ExamplesPage() {
  const [opened, setOpened] = useState<ExampleStudio | null>(null)
  return (
    <>
      <PageHead title="Examples" aside="Whole small studios to look at and to start from">
        <ButtonLink to="/setups">Setups</ButtonLink>
      </PageHead>
      <div className="px-4 pb-8 md:px-5">
        <p className="mt-2 max-w-[70ch] text-[13px] text-quiet">
          Their things are invented, with figures as such things usually have. Start from the one that comes near to
          what you do, and put your own things in the place of these.
        </p>
        <ul className="mt-4 grid gap-x-6 md:grid-cols-2 xl:grid-cols-3">
          {EXAMPLE_STUDIOS.map((it) => (
            <li key={it.code} className="border-t border-rule py-4">
              <h2>{it.name}</h2>
              <p className="mt-1 text-[13px] text-quiet">{it.about}</p>
              <p className="mt-1 text-[13px]">
                {PURPOSES[it.purpose]} · {it.plannedMinutes} min · {sayNumber(Object.keys(it.things).length, 'thing')}
              </p>
              <Button className="mt-2" aria-label={`Look at ${it.name}`} onClick={() => setOpened(it)}>
                Look at it
              </Button>
            </li>
          ))}
        </ul>
      </div>
      {opened && <ExampleSheet key={opened.code} example={opened} onClose={() => setOpened(null)} />}
    </>
  )
}

const OWN_ROOM = ''

function ExampleSheet({ example, onClose }: { example: ExampleStudio; onClose(): void }) {
  const { data: places = [] } = usePlacesQuery()
  const [placeId, setPlaceId] = useState(OWN_ROOM)
  const [start, { error, isLoading }] = useStartExampleMutation()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const mayStart = useMay()('change-settings')
  const rooms = places.filter((it) => it.kind === 'room')
  const begin = async () => {
    const made = await start({ code: example.code, body: { placeId: placeId || null } }).unwrap()
    tellDone(dispatch, `${example.name} is here, with ${sayNumber(made.things, 'thing')}.`, made)
    navigate(`/setups/${made.setupId}?view=rig`)
  }
  return (
    <SheetDialog open onClose={onClose} title={example.name} description={example.about} wide>
      <h3>Roles</h3>
      <ul className="mt-1 text-[13px]">
        {example.roles.map((role) => (
          <li key={role.name} className="flex flex-wrap gap-x-2 border-b border-rule py-1.5">
            <b className="w-36 shrink-0">{role.name}</b>
            <span className="text-quiet">{sayThings(role.things, example)}</span>
          </li>
        ))}
      </ul>
      <h3 className="mt-4">Things</h3>
      <ul className="mt-1 grid gap-x-5 text-[13px] sm:grid-cols-2">
        {listExampleModels(example).map(({ thing, aliases }) => (
          <li key={`${thing.category}/${thing.name}`} className="flex items-center gap-2 py-1">
            <Silhouette category={thing.category} className="size-6" />
            <span>
              {aliases.length > 1 && `${aliases.length} × `}
              {thing.name} <span className="text-quiet">{CATEGORIES[thing.category].label}</span>
            </span>
          </li>
        ))}
      </ul>
      {mayStart && (
        <div className="mt-5 border-t border-rule pt-4">
          <FormProblem text={error ? readProblem(error).detail : null} />
          <SelectField
            label="Where does it stand?"
            value={placeId}
            onChange={(event) => setPlaceId(event.target.value)}
          >
            <option value={OWN_ROOM}>In a room of its own, made for it</option>
            {rooms.map((it) => (
              <option key={it.id} value={it.id}>
                {it.name}
              </option>
            ))}
          </SelectField>
          <p className="mt-2 text-[12px] text-quiet">
            Its things become things of your kit, with tags. It can be undone as a whole.
          </p>
          <Button look="act" className="mt-3" disabled={isLoading} onClick={() => begin().catch(() => {})}>
            {isLoading ? 'Putting it together …' : 'Start from this'}
          </Button>
        </div>
      )}
    </SheetDialog>
  )
}

/** The things of a role by name, alike ones counted. */
function sayThings(aliases: readonly string[], { things }: ExampleStudio): string {
  const counts = new Map<string, number>()
  for (const alias of aliases) {
    const name = things[alias]?.name ?? alias
    counts.set(name, (counts.get(name) ?? 0) + 1)
  }
  return [...counts].map(([name, count]) => (count > 1 ? `${count} × ${name}` : name)).join(', ')
}
