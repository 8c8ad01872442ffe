import {
  NO_POSITION,
  printLights,
  REFERENCE_STILL,
  type ReplyOf,
  type Role,
  type SetupReply,
  sayPosition,
  writeLook,
} from '@exemplar/core'
import { useMemo, useState } from 'react'
import { onlyData } from '../../foundation/api/only-data.ts'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Empty, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { KeptStill } from '../kept-still.tsx'
import { usePictureAndLightQuery } from '../pictures-api.ts'
import { LookLines, LookPartView } from './look-part.tsx'
import { PlanAndPictures } from './plan-and-pictures.tsx'
import type { Place } from './plan-moves.ts'
import { SetCamera } from './set-camera.tsx'
import { SetLamp } from './set-lamp.tsx'
import { StageForm } from './stage-form.tsx'

const ONLY_LOOK = { selectFromResult: onlyData<ReplyOf<'get /setups/:id/picture-and-light'>>() }

/** What is being set: the scene, or a role by its id. */
type Open = { kind: 'scene' } | { kind: 'camera' | 'lamp'; role: Role } | null

/** What each camera sees and each lamp gives, and what they come to together. */
export function LookView({
  setup,
  bookingId,
  onSave,
}: {
  setup: SetupReply
  bookingId: string | undefined
  /** Null for who may not change setups. */
  onSave: ((change: (setup: SetupReply) => SetupReply, told: string) => Promise<boolean>) | null
}) {
  const { data, error, refetch } = usePictureAndLightQuery({ id: setup.id, bookingId }, ONLY_LOOK)
  const { system, today } = useTimeWords()
  const { sayLength } = useMeasures()
  const [open, setOpen] = useState<Open>(null)
  const look = useMemo(() => data && writeLook(data, system), [data, system])
  if (!look) return <Waiting what="picture and light" error={error} onRetry={refetch} />
  const roleOf = (id: string) => setup.roles.find((it) => it.id === id)
  const setRole = (kind: 'camera' | 'lamp', id: string) => {
    const role = roleOf(id)
    return onSave && role ? () => setOpen({ kind, role }) : null
  }
  const save = async (change: (setup: SetupReply) => SetupReply, told: string) => {
    if (onSave && (await onSave(change, told))) setOpen(null)
  }
  const saveRole = (role: Role) =>
    save((now) => ({ ...now, roles: now.roles.map((it) => (it.id === role.id ? role : it)) }), `${role.name} is set.`)
  return (
    <div className="mt-4">
      <section aria-label="The scene">
        <div className="flex items-baseline gap-3">
          <h2 className="flex-1 text-[15px]">The scene</h2>
          {onSave && (
            <Button size="small" className="no-print" onClick={() => setOpen({ kind: 'scene' })}>
              Describe the scene
            </Button>
          )}
        </div>
        <LookLines lines={look.scene} />
        <div className="no-print mt-3 w-56 text-[13px]">
          <KeptStill setupId={setup.id} name={REFERENCE_STILL} caption="How it should look" isSmall />
        </div>
        {setup.stage.composition && <p className="mt-2 max-w-[70ch] text-[13px]">{setup.stage.composition}</p>}
      </section>
      {(look.plan.things.length > 0 || look.plan.backdropMm !== null) && (
        <section aria-label="Plan" className="mt-6">
          <h2 className="text-[15px]">Plan and pictures</h2>
          <PlanAndPictures
            plan={look.plan}
            onMove={
              onSave &&
              ((roleId, place) =>
                onSave(
                  (now) => moveRole(now, roleId, place),
                  `${roleOf(roleId)?.name ?? 'It'} is at ${sayPosition({ ...NO_POSITION, ...place }, sayLength)}.`,
                ))
            }
          />
        </section>
      )}
      <Parts
        title="Cameras"
        empty="No camera is in it yet"
        parts={look.cameras}
        onSet={(id) => setRole('camera', id)}
      />
      <Parts title="Lamps" empty="No lamp is in it yet" parts={look.lamps} onSet={(id) => setRole('lamp', id)} />
      <SheetDialog
        wide
        open={open !== null}
        onClose={() => setOpen(null)}
        title={open === null || open.kind === 'scene' ? 'The scene' : open.role.name}
      >
        {open?.kind === 'scene' && (
          <StageForm
            stage={setup.stage}
            placeId={setup.placeId}
            houseLights={look.houseLights}
            cameras={look.cameras}
            stampWhite={(stage, kelvin) => ({ kelvin, on: today, lights: printLights({ ...setup, stage }) })}
            onSave={(stage) => save((now) => ({ ...now, stage }), 'The scene is saved.')}
          />
        )}
        {open?.kind === 'camera' && <SetCamera role={open.role} onSave={saveRole} />}
        {open?.kind === 'lamp' && <SetLamp role={open.role} onSave={saveRole} />}
      </SheetDialog>
    </div>
  )
}

/** The same setup with the things of a role somewhere else; their height and all else stay. */
function moveRole(setup: SetupReply, roleId: string, place: Place): SetupReply {
  const move = (role: Role): Role =>
    role.id === roleId ? { ...role, position: { ...(role.position ?? NO_POSITION), ...place } } : role
  return { ...setup, roles: setup.roles.map(move) }
}

function Parts({
  title,
  empty,
  parts,
  onSet,
}: {
  title: string
  empty: string
  parts: ReplyOf<'get /setups/:id/picture-and-light'>['cameras']
  onSet(roleId: string): (() => void) | null
}) {
  return (
    <section aria-label={title} className="mt-6">
      <h2 className="text-[15px]">{title}</h2>
      {parts.length === 0 && <Empty title={empty}>Put one into a role, and what it comes to stands here.</Empty>}
      {parts.map((part) => (
        <LookPartView key={part.key + part.roleId} part={part} onSet={onSet(part.roleId)} />
      ))}
    </section>
  )
}
