import { LIFE_STATES } from '@exemplar/core'
import { useState } from 'react'
import { useParams } from 'react-router'
import { useEventsQuery, useMendFaultMutation, useUnitQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button, ButtonLink } from '../../foundation/parts/button.tsx'
import { PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { Attachments } from '../../studio/files/attachments.tsx'
import { FaultDialog } from '../fault/fault-dialog.tsx'
import { ModelForm } from '../model/model-form.tsx'
import { Upkeep } from '../upkeep/upkeep.tsx'
import { ProvenanceForm } from './acquisition-form.tsx'
import { DriveSpace } from './drive-space.tsx'
import { sayEvent } from './event-words.ts'
import { Remarks } from './remarks.tsx'
import { Riders } from './riders.tsx'
import { Software } from './software.tsx'
import { ThingWants } from './thing-wants.tsx'
import { UnitActions } from './unit-actions.tsx'
import { UnitFacts } from './unit-facts.tsx'
import { UnitForm } from './unit-form.tsx'
import { UnitParts } from './unit-parts.tsx'
import { WhatFits } from './what-fits.tsx'

export function UnitPage() {
  const { id = '' } = useParams()
  const { data, error, refetch } = useUnitQuery(id)
  const [open, setOpen] = useState<'edit' | 'model' | 'from' | 'fault' | null>(null)
  const [mend] = useMendFaultMutation()
  const run = useTold()
  const may = useMay()
  if (!data) return <Waiting what="the thing" error={error} onRetry={refetch} />
  const { unit } = data
  const openFaults = data.faults.filter((fault) => fault.mendedAt === null)
  return (
    <>
      <PageHead
        title={
          <>
            <Tag>{unit.tag}</Tag> {data.name}
          </>
        }
      >
        <ButtonLink to={`/kit/labels?find=${unit.tag}`}>Label</ButtonLink>
        {may('change-kit') && <Button onClick={() => setOpen('edit')}>Change</Button>}
        {may('change-kit') && <Button onClick={() => setOpen('model')}>Specs</Button>}
        {may('change-kit') && <Button onClick={() => setOpen('from')}>Acquisition</Button>}
        {may('report-fault') && (
          <Button look="act" onClick={() => setOpen('fault')}>
            Report a fault
          </Button>
        )}
      </PageHead>
      <div className="grid gap-8 px-4 pt-3 pb-8 md:px-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <div>
          <ThingWants unitId={id} tag={unit.tag} isAbove />
          <UnitFacts page={data} />
          <ThingWants unitId={id} tag={unit.tag} isAbove={false} />
          <WhatFits modelId={unit.modelId} />
          {(may('mend') ? openFaults : []).map((fault) => (
            <Button
              key={fault.id}
              className="mr-2"
              onClick={() =>
                run(
                  mend({ id: fault.id, version: fault.version, body: { note: '' } }).unwrap(),
                  `Closed: ${fault.note}`,
                )
              }
            >
              Mended: {fault.note.slice(0, 30)}
            </Button>
          ))}
        </div>
        <div>
          <Remarks unit={unit} version={data.version} />
          <UnitParts page={data} />
          <Riders unitId={id} tag={unit.tag} isGone={!LIFE_STATES[unit.state].usable} />
          <DriveSpace page={data} />
          <Upkeep page={data} />
          <Software unit={unit} version={data.version} findings={data.software} />
          <Attachments subjectType="unit" subjectId={id} />
          <History unitId={id} />
          {may('change-kit') && <UnitActions page={data} isArchived={unit.archivedAt !== null} />}
        </div>
      </div>
      <SheetDialog open={open === 'edit'} onClose={() => setOpen(null)} title={`Change ${unit.tag}`}>
        <UnitForm page={data} onClose={() => setOpen(null)} />
      </SheetDialog>
      <SheetDialog
        wide
        open={open === 'model'}
        onClose={() => setOpen(null)}
        title={`What a ${data.name} is`}
        description="This holds for every piece of this model."
      >
        <ModelForm model={data.model} onClose={() => setOpen(null)} />
      </SheetDialog>
      <SheetDialog wide open={open === 'from'} onClose={() => setOpen(null)} title={`Where ${unit.tag} came from`}>
        <ProvenanceForm page={data} onClose={() => setOpen(null)} />
      </SheetDialog>
      <FaultDialog
        open={open === 'fault'}
        tag={unit.tag}
        unitId={id}
        category={data.model.category}
        onClose={() => setOpen(null)}
      />
    </>
  )
}

function History({ unitId }: { unitId: string }) {
  const { data } = useEventsQuery({ subjectType: 'unit', subjectId: unitId })
  const words = useTimeWords()
  return (
    <Section title="History">
      <ol>
        {data?.map((event) => (
          <li key={event.id} className="flex gap-3 border-b border-rule py-1.5 text-[13px]">
            <span className="w-28 shrink-0 text-quiet">{words.sayInstant(event.at)}</span>
            <span className={`flex-1 ${event.isUndone ? 'text-quiet line-through' : ''}`}>{sayEvent(event)}</span>
            <span className="text-quiet">{event.person}</span>
          </li>
        ))}
      </ol>
    </Section>
  )
}
