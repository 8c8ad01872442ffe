import type { ReplyOf, SetupReply } from '@exemplar/core'
import { useState } from 'react'
import { useParams } from 'react-router'
import { usePlacesQuery, useReadinessQuery, useSetupQuery } from '../../foundation/api/api.ts'
import { onlyData } from '../../foundation/api/only-data.ts'
import { useMay } from '../../foundation/api/session.ts'
import { ConflictPanel } from '../../foundation/form/conflict.tsx'
import { Loading, Waiting } from '../../foundation/parts/page-parts.tsx'
import { Attachments } from '../../studio/files/attachments.tsx'
import { LookView } from '../look/look-view.tsx'
import { ReadinessMargin } from '../margin/readiness-margin.tsx'
import { Differences } from '../margin/setup-differences.tsx'
import { SetupPicture } from '../pictures/setup-picture.tsx'
import { makeRole } from '../setup-draft.ts'
import { useSetupChanges } from '../use-setup-changes.ts'
import { HelpMe } from './help-me.tsx'
import { JudgedFor } from './judged-for.tsx'
import { RoleBoard } from './role-board.tsx'
import { type OpenChange, SetupEditor } from './setup-editor.tsx'
import { SetupHead } from './setup-head.tsx'
import { SetupViews, useSetupView } from './setup-views.tsx'
import { VerdictHistory } from './verdict-history.tsx'

const ONLY_SETUP = { selectFromResult: onlyData<SetupReply>() }
const ONLY_READINESS = { selectFromResult: onlyData<ReplyOf<'get /setups/:id/readiness'>>() }
const ONLY_PLACES = { selectFromResult: onlyData<ReplyOf<'get /places'>>() }

/** A setup by its roles, or in one of its pictures, with the readiness margin beside it. */
export function SetupPage() {
  const { id = '' } = useParams()
  const { data: setup, error, refetch } = useSetupQuery(id, ONLY_SETUP)
  if (!setup) return <Waiting what="the setup" error={error} onRetry={refetch} />
  return <OpenSetup setup={setup} />
}

function OpenSetup({ setup }: { setup: SetupReply }) {
  const { id } = setup
  const view = useSetupView()
  const [isAsItStands, setAsItStands] = useState(false)
  const bookingId = isAsItStands ? undefined : setup.next?.id
  const {
    data: readiness,
    error: judgingError,
    refetch: judgeAgain,
  } = useReadinessQuery({ id, bookingId }, ONLY_READINESS)
  const { data: places } = usePlacesQuery(undefined, ONLY_PLACES)
  const { save, carryOut, carryOutAll, accept, latest, isLoading, conflict, clearConflict } = useSetupChanges(setup)
  const [open, setOpen] = useState<OpenChange | null>(null)
  const canChange = useMay()('change-setups')
  // Signals and power go from left to right over many things: they take the width of the page.
  const isBeside = view === null || view === 'rig' || view === 'look'
  const ifMay = <T,>(deed: T): T | null => (canChange ? deed : null)
  const close = () => {
    setOpen(null)
    clearConflict()
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
  const saveLook = async (make: (base: SetupReply) => SetupReply, told: string) => {
    const base = latest(setup)
    return (await save(make(base), told, base)) !== null
  }
  const onJoin = ifMay((links: SetupReply['links'], told: string) => {
    const base = latest(setup)
    save({ ...base, links }, told, base)
  })
  return (
    <>
      <SetupHead
        setup={setup}
        bookingId={bookingId}
        room={places?.find((it) => it.id === setup.placeId)?.name}
        readiness={readiness}
        onChange={ifMay(() => setOpen({ base: latest(setup), role: null, isNew: false }))}
        onMove={(next, text) => save(next, text)}
      />
      <SetupViews view={view} />
      <div className={`grid flex-1 ${isBeside ? 'lg:grid-cols-[1fr_372px]' : ''}`}>
        <div className={`min-w-0 px-4 pb-6 md:px-5 ${view ? 'max-lg:order-first' : ''}`}>
          {view === 'look' ? (
            <LookView setup={setup} bookingId={bookingId} onSave={ifMay(saveLook)} />
          ) : view && readiness ? (
            <SetupPicture
              key={view}
              kind={view}
              setupId={id}
              bookingId={bookingId}
              next={setup.next}
              readiness={readiness}
              isBeside={isBeside}
              links={latest(setup).links}
              onJoin={onJoin}
            />
          ) : view ? null : (
            <>
              <RoleBoard
                setup={setup}
                readiness={readiness}
                onOpen={ifMay((role) => setOpen({ base: latest(setup), role, isNew: false }))}
                onAdd={ifMay(() => setOpen({ base: latest(setup), role: makeRole('camera'), isNew: true }))}
              />
              <UnderTheBoard setup={setup} />
            </>
          )}
        </div>
        <div className={isBeside ? 'contents' : 'max-w-[780px]'}>
          {readiness ? (
            <ReadinessMargin
              readiness={readiness}
              hasThings={setup.roles.some((role) => role.things.length > 0)}
              deeds={{
                setupId: id,
                bookingId,
                isBusy: isLoading,
                onRemedy: ifMay(carryOut),
                onAccept: ifMay(accept),
              }}
              links={setup.links}
              onLetGo={
                onJoin &&
                ((link) =>
                  onJoin(
                    setup.links.filter((it) => it !== link),
                    'That run is open again.',
                  ))
              }
              help={
                canChange && (
                  <HelpMe
                    id={id}
                    bookingId={bookingId}
                    roles={setup.roles}
                    hasOpenEnds={readiness.findings.some((it) => it.code === 'need-unmet' && it.level !== 'advise')}
                    onDo={carryOutAll}
                  />
                )
              }
              occasion={<JudgedFor next={setup.next} isAsItStands={isAsItStands} onChange={setAsItStands} />}
            />
          ) : judgingError ? (
            <Waiting what="the verdict" error={judgingError} onRetry={judgeAgain} />
          ) : (
            <Loading what="the verdict" />
          )}
        </div>
      </div>
      <SetupEditor setup={setup} open={open} clash={clash} save={save} onOpen={setOpen} onClose={close} />
    </>
  )
}

/** What belongs to a setup and is no role: what it was made from, files, how it was judged before. */
function UnderTheBoard({ setup }: { setup: SetupReply }) {
  return (
    <>
      {setup.variantOf && (
        <section className="mt-6 border-t border-rule pt-2" aria-label="Variant">
          <h2 className="text-[13px]">Otherwise than what it was made from</h2>
          <Differences id={setup.variantOf} otherId={setup.id} />
        </section>
      )}
      <Attachments subjectType="setup" subjectId={setup.id} />
      <VerdictHistory setupId={setup.id} />
    </>
  )
}
