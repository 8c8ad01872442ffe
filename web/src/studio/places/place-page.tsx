import type { PlacePageReply } from '@exemplar/core'
import { FIXTURE_KINDS, sayPlaceFinding } from '@exemplar/core'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { sayDay, sayDayWithYear, sayWall } from '../../foundation/words/calendar-words.ts'
import { Attachments } from '../files/attachments.tsx'
import { useArchivePlaceMutation, useChangePlaceMutation, usePlaceQuery } from '../studio-api.ts'
import { LeadMap } from './lead-map.tsx'
import { toPlaceDraft } from './place-draft.ts'
import { PlaceForm } from './place-form.tsx'
import { PLACE_NAMES } from './place-names.ts'
import { PlaceSun } from './place-sun.tsx'

/** A place: what it asks, what it has, what fits, what lives in it and what stands booked. */
export function PlacePage() {
  const { id = '' } = useParams()
  const { data: place, error, refetch } = usePlaceQuery(id)
  const [isChanging, setChanging] = useState(false)
  const [archive] = useArchivePlaceMutation()
  const navigate = useNavigate()
  const run = useTold()
  const may = useMay()
  const { sayArea, sayLength, sayMass } = useMeasures()
  if (!place) return <Waiting what="the place" error={error} onRetry={refetch} />
  const { details } = place
  const { size } = details
  const canChange = may('change-directory')
  return (
    <>
      <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2 className="text-[18px]! tracking-tight">{place.name}</h2>
        <span className="text-[13px] text-quiet">
          {[
            PLACE_NAMES[place.kind].toLowerCase(),
            size &&
              `${sayLength(size.widthMm)} × ${sayLength(size.depthMm)}, ${sayLength(size.heightMm)} high, ${sayArea(size.widthMm * size.depthMm)}`,
            details.otherUses,
            details.accessTerms,
            details.accessUntil && `until ${sayDayWithYear(details.accessUntil)}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
        <span className="no-print flex gap-2 md:ml-auto">
          {place.kind === 'room' && may('book-pencilled') && (
            <ButtonLink to={`/diary?add=booking&place=${place.id}`}>Book it</ButtonLink>
          )}
          {canChange && (
            <Button look="act" onClick={() => setChanging(true)}>
              Change
            </Button>
          )}
        </span>
      </div>
      {place.findings.length > 0 && (
        <ul className="mt-3 grid gap-1.5" aria-label="What it asks">
          {place.findings.map((finding) => (
            <li key={finding.code}>
              <Mark level={finding.level}>{sayPlaceFinding(finding, { sayDay, sayLength, sayMass })}</Mark>
            </li>
          ))}
        </ul>
      )}
      <div className="grid gap-x-10 lg:grid-cols-2">
        <div>
          <Facts place={place} />
          {details.sockets.length > 0 && <LeadMap place={place} />}
          {place.kind === 'room' && details.windows.length > 0 && <PlaceSun place={place} />}
          <Wishes place={place} canChange={canChange} />
          <Attachments subjectType="place" subjectId={place.id} />
        </div>
        <div>
          <Section title="Booked there" aside={place.ahead.length ? `${place.ahead.length}` : undefined}>
            {place.ahead.length === 0 && <p className="py-2 text-[13px] text-quiet">Nothing ahead.</p>}
            <ul>
              {place.ahead.map((it) => (
                <li key={it.id} className="flex gap-3 border-b border-rule py-1.5 text-[13px]">
                  <span className="w-32 text-quiet">{sayWall(it.startsAt)}</span>
                  <Link to={`/diary/${it.id}`}>{it.title}</Link>
                </li>
              ))}
            </ul>
          </Section>
          {place.fits.length > 0 && <Fits place={place} />}
          <Section title="Lives here" aside={`${place.living.length}`}>
            <ul className="max-h-96 overflow-y-auto">
              {place.living.map((it) => (
                <li key={it.unitId} className="flex gap-3 border-b border-rule py-1 text-[13px]">
                  <Link to={`/kit/${it.unitId}`} className="flex-1">
                    <Tag>{it.tag}</Tag> {it.name}
                  </Link>
                  <span className="text-quiet">{it.massGrams === null ? 'never weighed' : sayMass(it.massGrams)}</span>
                </li>
              ))}
            </ul>
            {place.inside.length > 0 && (
              <p className="pt-2 text-[13px]">
                Inside:{' '}
                {place.inside.map((it) => (
                  <Link key={it.id} to={`/studio/places/${it.id}`} className="mr-3 underline underline-offset-[3px]">
                    {it.name}
                  </Link>
                ))}
              </p>
            )}
          </Section>
          {canChange && (
            <Button
              size="small"
              className="mt-6"
              onClick={() =>
                run(archive({ id, version: place.version }).unwrap(), `${place.name} is archived.`).then(
                  (isDone) => isDone && navigate('/studio/places'),
                )
              }
            >
              Archive this place
            </Button>
          )}
        </div>
      </div>
      <SheetDialog open={isChanging} onClose={() => setChanging(false)} wide title={`Change ${place.name}`}>
        <PlaceForm place={place} onClose={() => setChanging(false)} />
      </SheetDialog>
    </>
  )
}

function Facts({ place }: { place: PlacePageReply }) {
  const { sayLength, sayMass } = useMeasures()
  const { doors, windows, bars, fixtures } = place.details
  const rows: [string, string][] = [
    ...place.circuits.map((it): [string, string] => [it.name, `${it.volts} V, ${it.amps} A, ${it.outlets} sockets`]),
    ...doors.map((it): [string, string] => [it.name, `door, ${sayLength(it.widthMm)} × ${sayLength(it.heightMm)}`]),
    ...windows.map((it): [string, string] => [
      it.name,
      `window to ${it.bearingDegrees}°, ${sayLength(it.widthMm)} × ${sayLength(it.heightMm)}`,
    ]),
    ...bars.map((it): [string, string] => [
      it.name,
      `${it.kind}, ${sayLength(it.heightMm)} up, ${it.loadGrams === null ? 'rating unknown' : `bears ${sayMass(it.loadGrams)}`}`,
    ]),
    ...fixtures.map((it): [string, string] => [
      it.name,
      [
        FIXTURE_KINDS[it.kind].toLowerCase(),
        it.kelvin && `${it.kelvin} K`,
        !it.canSwitchOff && 'cannot be switched off',
        it.note,
      ]
        .filter(Boolean)
        .join(', '),
    ]),
  ]
  return (
    <Section title="What it has">
      {rows.length === 0 && <p className="py-2 text-[13px] text-quiet">Nothing recorded yet.</p>}
      <dl>
        {rows.map(([name, text]) => (
          <div key={name + text} className="grid grid-cols-[150px_1fr] gap-3 border-b border-rule py-1.5 text-[13px]">
            <dt className="font-medium">{name}</dt>
            <dd className="text-quiet">{text}</dd>
          </div>
        ))}
      </dl>
      {bars.length > 0 && (
        <p className="mt-2 text-[12px] text-quiet">
          Whatever hangs wants a secondary safety bond; above people a competent rigger decides.
        </p>
      )}
    </Section>
  )
}

function Fits({ place }: { place: PlacePageReply }) {
  const { sayLength } = useMeasures()
  return (
    <Section title="What fits">
      <ul>
        {place.fits.map((it) => (
          <li key={it.unitId} className="grid gap-1 border-b border-rule py-1.5 text-[13px]">
            <span>
              <Tag>{it.tag}</Tag> {it.name}
            </span>
            <span className="flex flex-wrap gap-x-4">
              <Mark level={it.standsIn === null ? 'unknown' : it.standsIn ? 'ok' : 'stop'}>
                {it.standsIn === null
                  ? 'the room’s size is unknown'
                  : it.standsIn
                    ? `stands in, up to ${sayLength(it.widestMm ?? 0)} wide`
                    : 'does not stand in this room'}
              </Mark>
              <Mark level={it.throughDoor === null ? 'unknown' : it.throughDoor ? 'ok' : 'stop'}>
                {it.throughDoor === null
                  ? 'no door recorded'
                  : it.throughDoor
                    ? `through ${it.throughDoor}`
                    : 'through no door as it is'}
              </Mark>
            </span>
          </li>
        ))}
      </ul>
    </Section>
  )
}

/** What the place should have and has not; ticked off when it has. */
function Wishes({ place, canChange }: { place: PlacePageReply; canChange: boolean }) {
  const [change] = useChangePlaceMutation()
  const run = useTold()
  const { wishes } = place.details
  if (wishes.length === 0) return null
  const tick = (id: string, isDone: boolean) => {
    const next = wishes.map((it) => (it.id === id ? { ...it, isDone } : it))
    const body = { ...toPlaceDraft(place), details: { ...place.details, wishes: next } }
    return run(
      change({ id: place.id, version: place.version, body }).unwrap(),
      isDone ? 'Done, and noted.' : 'Open again.',
    )
  }
  return (
    <Section title="What it should have" aside={`${wishes.filter((it) => !it.isDone).length} open`}>
      <ul>
        {wishes.map((it) => (
          <li key={it.id} className="border-b border-rule py-1.5">
            <label className="flex items-center gap-2 text-[13px]">
              <input
                type="checkbox"
                className="size-4 accent-(--ink)"
                disabled={!canChange}
                checked={it.isDone}
                onChange={(event) => tick(it.id, event.target.checked)}
              />
              <span className={it.isDone ? 'text-quiet line-through' : ''}>{it.text}</span>
            </label>
          </li>
        ))}
      </ul>
    </Section>
  )
}
