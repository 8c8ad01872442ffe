import {
  type BodyOf,
  formatMoney,
  type KitLine,
  type KitPlanPage,
  type Kits,
  sayFinding,
  sayNumber,
  WISH_STATES,
} from '@exemplar/core'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { useInterfacesQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Waiting } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { LedgerTabs } from '../wishes/ledger-tabs.tsx'
import {
  useChangeKitPlanMutation,
  useKitPlanQuery,
  useKitsQuery,
  useRemoveKitPlanMutation,
  useTakeKitMutation,
} from './kit-api.ts'
import { KitColumn } from './kit-column.tsx'
import { AddOptionForm, ChangeOptionForm } from './kit-option-form.tsx'
import { KitOptions } from './kit-options.tsx'
import { bodyOf, KitSettingsForm } from './kit-settings.tsx'

type Dialog = { kind: 'settings' } | { kind: 'add'; starter: string | null } | { kind: 'change'; optionId: string }

/** A whole kit for each sum of money, side by side, and everything of which they may be made. */
export function KitPage() {
  const { id = '' } = useParams()
  const { data: plan, error, refetch } = useKitPlanQuery(id)
  const { data: kits, error: kitsError, refetch: workAgain, isFetching } = useKitsQuery(id)
  const { data: studio } = useStudioQuery()
  const [dialog, setDialog] = useState<Dialog | null>(null)
  const may = useMay()
  if (!plan || !studio) return <Waiting what="the kit" error={error} onRetry={refetch} />
  const { currency } = studio
  const mayChange = may('change-ledger')
  const close = () => setDialog(null)
  const changed = dialog?.kind === 'change' ? plan.options.find((it) => it.id === dialog.optionId) : undefined
  const nameOf = (modelId: string | undefined) => plan.models.find((it) => it.id === modelId)?.name ?? 'It'
  return (
    <>
      <PageHead title={plan.name}>
        {mayChange && (
          <Button look={plan.tiers.length === 0 ? 'act' : undefined} onClick={() => setDialog({ kind: 'settings' })}>
            {plan.tiers.length === 0 ? 'Say how much money' : 'Sums and what is asked'}
          </Button>
        )}
        <Button onClick={() => window.print()}>Print</Button>
        {mayChange && <Remove plan={plan} />}
      </PageHead>
      <LedgerTabs />
      <div className="px-4 pb-16 md:px-5">
        <p className="my-3 flex flex-wrap items-center gap-3 text-[13px]">
          <Link to={`/setups/${plan.setup.id}`} className="no-underline">
            <TapeStrip code={plan.setup.code} tape={plan.setup.tape} name={plan.setup.name} size="small" />
          </Link>
          <span>
            {plan.base === 'nothing' ? 'everything is bought' : 'what is here is used'}
            {plan.isStills && ', for stills'}
          </span>
          {plan.assumedCircuit && (
            <Mark level="unknown">
              no circuit is chosen for this setup: reckoned with one of {plan.assumedCircuit.amps} A at{' '}
              {plan.assumedCircuit.volts} V, as is usual in your country
            </Mark>
          )}
        </p>
        <Taken plan={plan} currency={currency} />
        {kits ? (
          <div aria-busy={isFetching} className={isFetching ? 'opacity-60' : ''}>
            <SideBySide
              plan={plan}
              kits={kits}
              currency={currency}
              onAdd={(starter) => setDialog({ kind: 'add', starter })}
            />
          </div>
        ) : (
          <Waiting what="the kits" error={kitsError} onRetry={workAgain} />
        )}
        <KitOptions
          plan={plan}
          currency={currency}
          mayChange={mayChange}
          onAdd={() => setDialog({ kind: 'add', starter: null })}
          onChange={(optionId) => setDialog({ kind: 'change', optionId })}
        />
      </div>
      <SheetDialog wide title="Sums and what is asked" open={dialog?.kind === 'settings'} onClose={close}>
        <KitSettingsForm plan={plan} onDone={close} />
      </SheetDialog>
      <SheetDialog wide title="Add a thing to choose from" open={dialog?.kind === 'add'} onClose={close}>
        {dialog?.kind === 'add' && <AddOptionForm plan={plan} starter={dialog.starter} onDone={close} />}
      </SheetDialog>
      <SheetDialog wide title={nameOf(changed?.modelId)} open={changed !== undefined} onClose={close}>
        {changed && <ChangeOptionForm plan={plan} option={changed} name={nameOf(changed.modelId)} onDone={close} />}
      </SheetDialog>
    </>
  )
}

/** Takes the plan away, not what was wished for by it; the note that tells so takes it back. */
function Remove({ plan }: { plan: KitPlanPage }) {
  const [remove, { isLoading }] = useRemoveKitPlanMutation()
  const run = useTold()
  const navigate = useNavigate()
  return (
    <Button
      disabled={isLoading}
      onClick={async () => {
        if (await run(remove({ id: plan.id, version: plan.version }).unwrap(), `${plan.name} is taken away.`))
          navigate('/ledger/kits')
      }}
    >
      Take away
    </Button>
  )
}

function SideBySide({
  plan,
  kits,
  currency,
  onAdd,
}: {
  plan: KitPlanPage
  kits: Kits
  currency: string
  onAdd(starter: string | null): void
}) {
  const say = (minor: number) => formatMoney(minor, currency)
  if (kits.lacking) return <Lacking plan={plan} lacking={kits.lacking} onAdd={onAdd} />
  const calledOf = (tierId: string | undefined) => plan.tiers.find((it) => it.id === tierId)?.name ?? null
  return (
    <>
      {kits.least && (
        <p className="my-3 text-[13px]" role="status">
          A whole kit of these begins at <b>{say(kits.least.costMinor)}</b>
          {!kits.least.isProven && ', as far as was found'}
          {kits.most?.isProven && (
            <>
              {' '}
              and ends at <b>{say(kits.most.costMinor)}</b>: more money buys nothing that you graded better, so stop
              there
            </>
          )}
          .
        </p>
      )}
      {plan.tiers.length === 0 ? (
        <p className="my-3 flex flex-wrap items-center gap-3">
          Say how much money there is, and its kit stands here.
          <UseTemplates plan={plan} kits={kits} currency={currency} />
        </p>
      ) : (
        <div className="grid gap-x-8 gap-y-6 md:grid-flow-col md:auto-cols-fr">
          {kits.tiers.map((row, at) => (
            <KitColumn
              key={row.tierId}
              plan={plan}
              row={row}
              least={kits.least}
              before={at > 0 && kits.tiers[at - 1]?.kit ? calledOf(kits.tiers[at - 1]?.tierId) : null}
              currency={currency}
            >
              <TakeOn plan={plan} row={row} />
            </KitColumn>
          ))}
        </div>
      )}
      <p className="mt-4 text-[12px] text-quiet">
        A role that has to be filled counts three points, one that is wanted two, one that is optional one, times the
        grade of what fills it. A kit is judged as the setup is. Whether the things are free on a day, and who is there,
        is not asked; load and fixing of what hangs overhead is for whoever is competent for it.
      </p>
    </>
  )
}

/** Sums that the list itself gives: its cheapest whole kit, its end, and halfway. */
function UseTemplates({ plan, kits, currency }: { plan: KitPlanPage; kits: Kits; currency: string }) {
  const [change, { isLoading }] = useChangeKitPlanMutation()
  const run = useTold()
  const may = useMay()
  if (kits.templates.length === 0 || !may('change-ledger')) return null
  const tiers = kits.templates.map((it, at) => ({ ...it, id: `tier-${at + 1}`, afterFilms: null }))
  return (
    <Button
      className="no-print"
      disabled={isLoading}
      onClick={() =>
        run(
          change({ id: plan.id, version: plan.version, body: { ...bodyOf(plan), tiers } }).unwrap(),
          'Kits for these sums stand side by side.',
        )
      }
    >
      Begin with {kits.templates.map((it) => formatMoney(it.budgetMinor, currency)).join(', ')}
    </Button>
  )
}

/** Why there is no whole kit at all, and what to add. */
function Lacking({
  plan,
  lacking,
  onAdd,
}: {
  plan: KitPlanPage
  lacking: NonNullable<Kits['lacking']>
  onAdd(starter: string | null): void
}) {
  const roles = plan.setup.roles.filter((it) => lacking.roleIds.includes(it.id))
  const may = useMay()
  const words = useTimeWords()
  const { data: interfaces } = useInterfacesQuery()
  const labelsOf = (codes: readonly string[]) =>
    codes.map((code) => interfaces?.find((it) => it.code === code)?.label ?? code).join(' or ')
  const Starters = ({ names }: { names: readonly string[] }) =>
    may('change-ledger') ? (
      <span className="no-print flex flex-wrap gap-2">
        {names.slice(0, 5).map((name) => (
          <Button key={name} size="small" onClick={() => onAdd(name)}>
            Add: {name}
          </Button>
        ))}
        <Button size="small" onClick={() => onAdd(null)}>
          Add something else
        </Button>
      </span>
    ) : null
  const { watts } = lacking
  const nothing = roles.length + lacking.ends.length + lacking.wrong.length === 0 && watts === null
  return (
    <Section title="Not a whole kit yet">
      <ul>
        {roles.map((role) => (
          <li key={role.id} className="grid gap-1 border-b border-rule py-2 text-[13px]">
            <Mark level="stop">Nothing to choose from for {role.name}</Mark>
            <Starters names={role.starters} />
          </li>
        ))}
        {lacking.ends.map((it) => (
          <li key={`${it.name}/${it.interfaces.join()}`} className="grid gap-1 border-b border-rule py-2 text-[13px]">
            <Mark level="stop">
              {it.name} wants something that none of these gives: {labelsOf(it.interfaces)}
            </Mark>
            {it.tooLittle.length > 0 && (
              <p className="text-quiet">
                {it.tooLittle.join(', ')} {it.tooLittle.length === 1 ? 'has' : 'have'} such an end, and will not do:
                rated for too little, or too few of them.
              </p>
            )}
            <Starters names={it.starters} />
          </li>
        ))}
        {watts !== null && (
          <li className="border-b border-rule py-2 text-[13px]">
            <Mark level="stop">
              A whole kit of these draws {watts.toLocaleString('en')} W from the mains, more than its circuit gives
            </Mark>
            <p className="text-quiet">
              Something that draws less, or runs on packs, or another circuit of the setup. What a circuit bears is for
              whoever is competent for it.
            </p>
          </li>
        )}
        {lacking.wrong.map((it) => (
          <li key={it.key} className="border-b border-rule py-2 text-[13px]">
            <Mark level={it.level}>{sayFinding(it, words).title}</Mark>
            <p className="text-quiet">{sayFinding(it, words).text}</p>
          </li>
        ))}
        {lacking.wrong.length > 0 && (
          <li className="py-2 text-[13px] text-quiet">
            This stops the nearest kit that was found, however much money there is. What would cure it is not among the
            things to choose from, or stands in the setup already.
          </li>
        )}
        {nothing && (
          <li className="py-2 text-[13px]">
            <Mark level="unknown">No whole kit was found in the time there is</Mark>
          </li>
        )}
      </ul>
    </Section>
  )
}

/** Takes the kit on: wishes for what is bought, and what is here goes into its roles. */
function TakeOn({ plan, row }: { plan: KitPlanPage; row: Kits['tiers'][number] }) {
  const [take, { isLoading }] = useTakeKitMutation()
  const run = useTold()
  const may = useMay()
  const { kit } = row
  if (!kit || plan.taken || !may('change-ledger')) return null
  const body: BodyOf<'post /kit-plans/:id/taken'> = {
    tierId: row.tierId,
    bought: kit.lines.flatMap((it) => (it.here.length > 0 ? [] : [pickOf(it)])),
    here: kit.lines.flatMap(listHere),
  }
  return (
    <Button
      look="act"
      className="no-print mt-3"
      disabled={isLoading || row.filmsToGo > 0}
      onClick={() =>
        run(
          take({ id: plan.id, version: plan.version, body }).unwrap(),
          `${sayNumber(body.bought.length, 'thing')} of it ${body.bought.length === 1 ? 'is' : 'are'} wished for, in the roles of ${plan.setup.code}.`,
        )
      }
    >
      Take this kit on
    </Button>
  )
}

const pickOf = ({ id, count, roleIds, besideRoleIds, powerModeIds }: KitLine) => ({
  ...{ optionId: id, count, roleIds, besideRoleIds, powerModeIds },
})

function listHere({ here, roleIds, besideRoleIds, powerModeIds, count }: KitLine) {
  return here.flatMap(({ unitId, stockId }, nth) => {
    const roleId = roleIds[nth] ?? besideRoleIds[nth - roleIds.length] ?? besideRoleIds[0] ?? roleIds[0]
    const powerModeId = powerModeIds[nth] ?? null
    return roleId ? [{ unitId, stockId, count: unitId ? 1 : count, roleId, powerModeId }] : []
  })
}

/** What became of the kit that was taken on. */
function Taken({ plan, currency }: { plan: KitPlanPage; currency: string }) {
  const { taken, wishes } = plan
  if (!taken) return null
  const tier = plan.tiers.find((it) => it.id === taken.tierId)
  const paid = wishes.reduce((sum, it) => sum + it.paidMinor, 0)
  const toPay = wishes.reduce((sum, it) => sum + (it.state === 'here' ? 0 : (it.costMinor ?? 0)), 0)
  const say = (minor: number) => formatMoney(minor, currency)
  return (
    <Section title={`Taken on: ${tier?.name ?? 'a kit'}`} aside={tier ? `at most ${say(tier.budgetMinor)}` : ''}>
      <p className="text-[13px]">
        {say(paid)} paid, {say(toPay)} to come
        {tier &&
          (paid + toPay > tier.budgetMinor ? (
            <>
              {' '}
              <Mark level="warn">{say(paid + toPay - tier.budgetMinor)} over</Mark>
            </>
          ) : (
            `, ${say(tier.budgetMinor - paid - toPay)} under`
          ))}
        . <Link to="/ledger/wishes">Order and receive it among the wishes</Link>.
      </p>
      <ul className="mt-1 columns-1 gap-8 text-[13px] md:columns-2">
        {wishes.map((it) => (
          <li key={it.id} className="flex justify-between gap-3 border-b border-rule py-1">
            <span>
              {it.quantity > 1 && `${it.quantity} × `}
              {it.name} <span className="text-quiet">{WISH_STATES[it.state].toLowerCase()}</span>
            </span>
            <span className="font-mono">{say(it.state === 'here' ? it.paidMinor : (it.costMinor ?? 0))}</span>
          </li>
        ))}
      </ul>
    </Section>
  )
}
