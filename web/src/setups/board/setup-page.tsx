import { listInUse, type Readiness, type Role, type SetupReply } from '@exemplar/core'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useArchiveSetupMutation, usePlacesQuery, useReadinessQuery, useSetupQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { ConflictPanel } from '../../foundation/form/conflict.tsx'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { Empty, Loading, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { sayWall } from '../../foundation/words/calendar-words.ts'
import { Attachments } from '../../studio/files/attachments.tsx'
import { ReadinessMargin } from '../margin/readiness-margin.tsx'
import { Differences } from '../margin/setup-differences.tsx'
import { GROUP_NAMES, GROUP_ORDER, makeRole } from '../setup-draft.ts'
import { useSetupChanges } from '../use-setup-changes.ts'
import { HelpMe } from './help-me.tsx'
import { MoveCheck } from './move-check.tsx'
import { OwnPolicies } from './own-policies.tsx'
import { RoleDialog } from './role-dialog.tsx'
import { RoleRow } from './role-row.tsx'
import { SetupForm } from './setup-form.tsx'
import { SetupMenu } from './setup-menu.tsx'
import { VerdictHistory } from './verdict-history.tsx'

/** What it weighs, and of how many things nobody knows: "3.2 kg and 4 things not weighed". */
function sayWeight({ totalMassGrams, unweighed }: Readiness, sayMass: (grams: number) => string): string {
  const rest = `${unweighed} ${unweighed === 1 ? 'thing' : 'things'} not weighed`
  if (unweighed === 0) return sayMass(totalMassGrams)
  return totalMassGrams === 0 ? rest : `${sayMass(totalMassGrams)} and ${rest}`
}

/** The role board with the readiness margin beside it. */
export function SetupPage() {
  const { id = '' } = useParams()
  const { data: setup, error, refetch } = useSetupQuery(id)
  const [isAsItStands, setAsItStands] = useState(false)
  const bookingId = isAsItStands ? undefined : setup?.next?.id
  const {
    data: readiness,
    error: judgingError,
    refetch: judgeAgain,
  } = useReadinessQuery({ id, bookingId }, { skip: !setup })
  const { data: places } = usePlacesQuery()
  const { save, carryOut, carryOutAll, accept, latest, isLoading, conflict, clearConflict } = useSetupChanges(setup)
  /** What is being changed, and the setup as it was when that began. */
  const [open, setOpen] = useState<{ base: SetupReply; role: Role | null; isNew: boolean } | null>(null)
  const [archive] = useArchiveSetupMutation()
  const navigate = useNavigate()
  const may = useMay()
  const { sayMass } = useMeasures()
  const canChange = may('change-setups')
  if (!setup) return <Waiting what="the setup" error={error} onRetry={refetch} />

  const room = places?.find((it) => it.id === setup.placeId)?.name
  const hasThings = setup.roles.some((role) => role.things.length > 0)
  const close = () => {
    setOpen(null)
    clearConflict()
  }
  const saveRole = async (role: Role, isNew: boolean, base: SetupReply) => {
    const roles = isNew ? [...base.roles, role] : base.roles.map((it) => (it.id === role.id ? role : it))
    if (await save({ ...base, roles }, `${role.name} saved.`, base)) close()
  }
  const removeRole = async (role: Role, base: SetupReply) => {
    const roles = base.roles.filter((it) => it.id !== role.id)
    if (await save({ ...base, roles }, `${role.name} removed.`, base)) close()
  }
  const clash = conflict && (
    <ConflictPanel
      conflict={conflict.conflict}
      onMine={(version) =>
        save(conflict.next, conflict.text, { ...setup, version }).then((isSaved) => isSaved && close())
      }
      onTheirs={close}
    />
  )

  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule px-4 py-4 md:px-5">
        <h1 className="max-w-full">
          <TapeStrip code={setup.code} tape={setup.tape} name={setup.name} size="big" />
        </h1>
        <span className="text-quiet">
          {[setup.purpose, `${setup.plannedMinutes} min`, room, readiness && sayWeight(readiness, sayMass)]
            .filter(Boolean)
            .join(' · ')}
        </span>
        <div className="no-print flex flex-wrap gap-2 md:ml-auto">
          {canChange && (
            <Button onClick={() => setOpen({ base: latest(setup), role: null, isNew: false })}>Change</Button>
          )}
          <SetupMenu setup={setup} bookingId={bookingId} />
          <MoveCheck setup={setup} canChange={canChange} onMove={(next, text) => save(next, text)} />
          {setup.next && <ButtonLink to={`/diary/${setup.next.id}`}>Pack sheet</ButtonLink>}
          {may('book-pencilled') && (
            <ButtonLink look="act" to={`/diary?add=booking&setup=${setup.id}`}>
              Book it
            </ButtonLink>
          )}
        </div>
      </div>
      <div className="grid flex-1 lg:grid-cols-[1fr_372px]">
        <div className="min-w-0 px-4 pb-6 md:px-5">
          {setup.roles.length === 0 && (
            <Empty title="No roles yet">
              Add the first: A camera, key, main microphone. Exemplar judges as you go.
            </Empty>
          )}
          {GROUP_ORDER.map((group) => {
            const roles = setup.roles.filter((role) => role.group === group)
            if (roles.length === 0) return null
            const filled = roles.filter(
              (role) => listInUse(role).length > 0 || role.intentionallyEmpty || role.providedBy,
            ).length
            return (
              <section key={group} aria-label={GROUP_NAMES[group]}>
                <h2 className="mt-3.5 mb-0.5 text-[12px]">
                  {GROUP_NAMES[group]}{' '}
                  <span className="font-normal text-quiet">
                    {filled} of {roles.length}
                  </span>
                </h2>
                <ul className="border-b border-rule">
                  {roles.map((role) => (
                    <RoleRow
                      key={role.id}
                      role={role}
                      setup={setup}
                      readiness={readiness}
                      onOpen={canChange ? () => setOpen({ base: latest(setup), role, isNew: false }) : undefined}
                    />
                  ))}
                </ul>
              </section>
            )
          })}
          <div className="no-print mt-4">
            {canChange && (
              <Button onClick={() => setOpen({ base: latest(setup), role: makeRole('camera'), isNew: true })}>
                Add a role
              </Button>
            )}
          </div>
          {setup.variantOf && (
            <section className="mt-6 border-t border-rule pt-2" aria-label="Variant">
              <h2 className="text-[13px]">Otherwise than what it was made from</h2>
              <Differences id={setup.variantOf} otherId={setup.id} />
            </section>
          )}
          <Attachments subjectType="setup" subjectId={setup.id} />
          <VerdictHistory setupId={setup.id} />
        </div>
        {readiness ? (
          <ReadinessMargin
            readiness={readiness}
            hasThings={hasThings}
            deeds={{
              setupId: setup.id,
              bookingId,
              isBusy: isLoading,
              onRemedy: canChange ? carryOut : null,
              onAccept: canChange ? accept : null,
            }}
            links={setup.links}
            onLetGo={
              canChange
                ? (link) =>
                    save({ ...setup, links: setup.links.filter((it) => it !== link) }, 'That run is open again.')
                : null
            }
            onJoin={canChange ? (next, told) => save({ ...setup, links: next }, told) : null}
            help={
              canChange && (
                <HelpMe
                  id={setup.id}
                  bookingId={bookingId}
                  roles={setup.roles}
                  hasOpenEnds={readiness.findings.some((it) => it.code === 'need-unmet' && it.level !== 'advise')}
                  onDo={carryOutAll}
                />
              )
            }
            occasion={
              setup.next ? (
                <label className="flex items-center gap-2">
                  Judged for
                  <select
                    className="rounded-paper border border-rule-strong bg-sheet px-1 py-0.5 text-ink"
                    value={isAsItStands ? 'now' : 'next'}
                    onChange={(event) => setAsItStands(event.target.value === 'now')}
                  >
                    <option value="next">
                      {setup.next.title}, {sayWall(setup.next.startsAt)}
                    </option>
                    <option value="now">as it stands today</option>
                  </select>
                </label>
              ) : (
                'Judged as it stands today; it is not booked.'
              )
            }
          />
        ) : judgingError ? (
          <Waiting what="the verdict" error={judgingError} onRetry={judgeAgain} />
        ) : (
          <Loading what="the verdict" />
        )}
      </div>
      {open === null && clash && <div className="p-5">{clash}</div>}
      {open?.role && (
        <RoleDialog
          key={open.role.id}
          role={open.role}
          isNew={open.isNew}
          setup={{ ...setup, roles: open.base.roles }}
          notice={clash}
          onClose={close}
          onSave={(role) => saveRole(role, open.isNew, open.base)}
          onRemove={() => open.role && removeRole(open.role, open.base)}
        />
      )}
      <SheetDialog open={open !== null && open.role === null} onClose={close} title="Change the setup">
        {clash}
        <SetupForm
          draft={open?.base ?? setup}
          act="Save"
          problem={null}
          onSave={({ roles: _, ...facts }) =>
            save({ ...facts, roles: (open?.base ?? setup).roles }, `${facts.name} saved.`, open?.base).then(
              (isSaved) => isSaved && close(),
            )
          }
        />
        <OwnPolicies
          setup={setup}
          onSave={async (overrides) => {
            const after = await save({ ...setup, overrides }, 'Its own policies are saved.')
            // The form beside it goes on from there, and does not meet its own other half as somebody else's.
            if (after && open) setOpen({ ...open, base: { ...open.base, overrides, version: after.version } })
          }}
        />
        <div className="mt-4 border-t border-rule pt-3">
          <Button
            size="small"
            onClick={() =>
              archive({ id, version: setup.version })
                .unwrap()
                .then(() => navigate('/setups'))
                .catch(() => {})
            }
          >
            Archive this setup
          </Button>
        </div>
      </SheetDialog>
    </>
  )
}
