import { type NewServicePlan, type ServicesReply, sayNumber } from '@exemplar/core'
import { useState } from 'react'
import { readProblem } from '../foundation/api/problem.ts'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { Button } from '../foundation/parts/button.tsx'
import { Section } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { PlanForm } from '../kit/upkeep/plan-form.tsx'
import { useChangePlanMutation, useEndPlanMutation, useMakePlanMutation } from '../kit/upkeep/service-api.ts'
import { sayInterval } from '../kit/upkeep/service-words.ts'

type Plan = ServicesReply['plans'][number]

/** Plans that are followed, and those that usually go with the kinds that are here. */
export function ServicePlans({ plans, usual }: Pick<ServicesReply, 'plans' | 'usual'>) {
  const [open, setOpen] = useState<Plan | 'new' | null>(null)
  const [make, making] = useMakePlanMutation()
  const [change, changing] = useChangePlanMutation()
  const [end] = useEndPlanMutation()
  const run = useTold()
  const may = useMay()
  const isMay = may('mend')
  const error = open === 'new' ? making.error : changing.error
  const save = async (body: NewServicePlan) => {
    const work = open === 'new' || open === null ? make(body) : change({ id: open.id, version: open.version, body })
    if (await run(work.unwrap(), `${body.name} is planned.`)) setOpen(null)
  }
  return (
    <div className="no-print">
      <Section title="Plans" aside={String(plans.length)}>
        {plans.length === 0 && <p className="py-2 text-[13px] text-quiet">None yet.</p>}
        <ul>
          {plans.map((it) => (
            <li key={it.id} className="border-b border-rule py-2 text-[13px]">
              <b className="font-semibold">{it.name}</b>
              <span className="block text-quiet">
                {it.about}, {sayInterval(it)} · {sayNumber(it.things, 'thing')}
              </span>
              {isMay && (
                <span className="mt-1 flex gap-2">
                  <Button size="small" aria-label={`Change ${it.name}`} onClick={() => setOpen(it)}>
                    Change
                  </Button>
                  <Button
                    size="small"
                    aria-label={`End ${it.name}`}
                    onClick={() => run(end({ id: it.id, version: it.version }).unwrap(), `${it.name} has ended.`)}
                  >
                    End it
                  </Button>
                </span>
              )}
            </li>
          ))}
        </ul>
        {isMay && (
          <Button size="small" className="mt-3" onClick={() => setOpen('new')}>
            Make a plan
          </Button>
        )}
      </Section>
      {isMay && usual.length > 0 && (
        <Section title="Usual for what is here" aside="common practice, to be changed">
          <ul>
            {usual.map((it) => (
              <li
                key={`${it.name} ${JSON.stringify(it.subject)}`}
                className="flex items-start gap-3 border-b border-rule py-2 text-[13px]"
              >
                <span className="min-w-0 flex-1">
                  {it.name}
                  <span className="block text-quiet">
                    {it.subject.kind === 'category' && it.subject.category.replaceAll('-', ' ')}, {sayInterval(it)}
                  </span>
                </span>
                <Button
                  size="small"
                  aria-label={`Take on ${it.name}`}
                  onClick={() => run(make(it).unwrap(), `${it.name} is planned.`)}
                >
                  Take on
                </Button>
              </li>
            ))}
          </ul>
        </Section>
      )}
      <SheetDialog
        open={open !== null}
        onClose={() => setOpen(null)}
        title={open === 'new' ? 'A plan' : 'Change the plan'}
      >
        {open !== null && (
          <PlanForm
            plan={open === 'new' ? null : open}
            choices={
              open === 'new' || open.subject.kind === 'category' ? [] : [{ label: open.about, subject: open.subject }]
            }
            problem={error ? readProblem(error) : null}
            onSave={save}
          />
        )}
      </SheetDialog>
    </div>
  )
}
