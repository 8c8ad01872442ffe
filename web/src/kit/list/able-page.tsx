import { type AbleThing, listInWords, sayAbsence, sayNumber, type WantedAbility } from '@exemplar/core'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { useAddShoppingLineMutation } from '../../foundation/api/api.ts'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellDone } from '../../foundation/api/tell-done.ts'
import { CheckField, FormProblem, NoteField, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Tag } from '../../foundation/parts/page-parts.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useAbleQuery } from '../kit-api.ts'
import { AbilityFields, type AskedAbility } from './ability-fields.tsx'

/** What here could do something, whatever it was bought for; only then what is to be bought. */
export function AblePage() {
  const [asked, setAsked] = useState<AskedAbility[]>([{ code: '', least: null }])
  const may = useMay()
  const wants = asked.flatMap(({ code, least }): WantedAbility[] => (code ? [{ code, least: least ?? 0 }] : []))
  const { data, isFetching } = useAbleQuery(wants, { skip: wants.length === 0 })
  return (
    <>
      <PageHead title="Look here first" aside="before anything is bought" />
      <div className="grid gap-x-10 px-4 pt-3 pb-8 md:px-5 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
        <AbilityFields asked={asked} onChange={setAsked} />
        <div aria-live="polite" aria-busy={isFetching} className="max-lg:my-4 lg:row-span-2">
          {wants.length === 0 && (
            <p className="max-w-[46ch] text-[13px] text-quiet">
              Say what it has to do, and the whole kit is looked through: an old television shows a picture, a tray
              holds a phone.
            </p>
          )}
          {wants.length > 0 && data && (
            <>
              <Section title="These could do it" aside={String(data.able.length)}>
                {data.able.length === 0 && <p className="py-2 text-[13px] text-quiet">Nothing here, as recorded.</p>}
                <Things things={data.able} />
              </Section>
              {data.perhaps.length > 0 && <Perhaps things={data.perhaps} />}
            </>
          )}
        </div>
        {may('ask-to-buy') && (
          <div className="mt-6 content-start">
            <ToBuy wants={wants} able={data?.able ?? []} />
          </div>
        )}
      </div>
    </>
  )
}

/** Of what nobody knows, those that are alike together, with what would have to be known. */
function Perhaps({ things }: { things: readonly AbleThing[] }) {
  const names = [...new Set(things.map((it) => it.name))]
  const alike = names.map((name) => ({ name, those: things.filter((it) => it.name === name) }))
  return (
    <details className="mt-4 border-t border-rule pt-2">
      <summary className="cursor-pointer text-[13.5px] font-semibold">
        Perhaps{' '}
        <span className="font-normal text-quiet">{sayNumber(things.length, 'thing')}, not all written down</span>
      </summary>
      <ul>
        {alike.map(({ name, those }) => (
          <li key={name} className="border-b border-rule py-1.5 text-[13px]">
            {name}{' '}
            {those.map((it) => (
              <Link key={it.id} to={it.kind === 'unit' ? `/kit/${it.id}` : `/kit/stock/${it.id}`} className="mr-2">
                <Tag>{it.tag}</Tag>
              </Link>
            ))}
            <span className="block text-quiet">
              Nobody wrote down {listInWords([...new Set(those.flatMap((it) => it.unsaid))])}.
            </span>
          </li>
        ))}
      </ul>
    </details>
  )
}

function Things({ things }: { things: readonly AbleThing[] }) {
  const words = useTimeWords()
  return (
    <ul>
      {things.map((it) => (
        <li key={it.id} className="border-b border-rule py-1.5 text-[13px]">
          <Link to={it.kind === 'unit' ? `/kit/${it.id}` : `/kit/stock/${it.id}`}>
            <Tag>{it.tag}</Tag> {it.name}
          </Link>
          <span className="block text-quiet">
            {it.place ?? 'no place recorded'} ·{' '}
            {it.absence ? <Mark level="warn">{sayAbsence(it.absence, words)}</Mark> : sayStanding(it)}
          </span>
        </li>
      ))}
    </ul>
  )
}

function sayStanding({ kind, free, usedBySetups }: AbleThing): string {
  if (kind === 'stock') return free === 0 ? 'all of them are in use' : `${free} free`
  if (usedBySetups === 0) return 'in no setup'
  return usedBySetups === 1 ? 'a setup counts on it' : `${usedBySetups} setups count on it`
}

/** What is to be bought after all, and why what is here will not do. */
function ToBuy({ wants, able }: { wants: WantedAbility[]; able: readonly AbleThing[] }) {
  const [line, setLine] = useState({ item: '', quantity: '1', reason: '', noneBecause: '' })
  const [isUsedUp, setUsedUp] = useState(false)
  const [add, adding] = useAddShoppingLineMutation()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const problem = adding.error ? readProblem(adding.error) : null
  const quantity = /^\d{1,4}$/.test(line.quantity) ? Number(line.quantity) : 0
  const isAsked = wants.length > 0 || isUsedUp
  const put = (part: Partial<typeof line>) => setLine({ ...line, ...part })
  return (
    <form
      className="grid gap-3 border-t border-rule pt-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (!isAsked || !line.item.trim() || quantity === 0) return
        const { item, reason, noneBecause } = line
        const body = { item: item.trim(), quantity, reason: reason.trim(), stockId: null, setupId: null, group: null }
        add({ ...body, wants: isUsedUp ? [] : wants, noneBecause: noneBecause.trim() })
          .unwrap()
          .then((reply) => {
            tellDone(dispatch, `${body.item} is on the shopping list.`, reply)
            navigate('/kit')
          })
          .catch(() => {})
      }}
    >
      <h2 className="text-[13.5px] font-semibold">Nothing here will do? Then it is to be bought</h2>
      <TextField
        label="What"
        value={line.item}
        problem={problem?.fields.item}
        onChange={(event) => put({ item: event.target.value })}
      />
      <TextField
        label="How many"
        inputMode="numeric"
        value={line.quantity}
        unread={quantity === 0 ? 'A whole number, at least 1.' : undefined}
        problem={problem?.fields.quantity}
        onChange={(event) => put({ quantity: event.target.value })}
      />
      <NoteField
        label="What for"
        value={line.reason}
        problem={problem?.fields.reason}
        onChange={(event) => put({ reason: event.target.value })}
      />
      {!isUsedUp && (able.length > 0 || problem?.fields.noneBecause) && (
        <NoteField
          label={`Why ${able.length === 1 ? 'it' : 'none of these'} will not do`}
          value={line.noneBecause}
          problem={problem?.fields.noneBecause}
          onChange={(event) => put({ noneBecause: event.target.value })}
        />
      )}
      {wants.length === 0 && (
        <CheckField
          label="It is used up or worn out, and more of the same is wanted"
          checked={isUsedUp}
          onChange={(event) => setUsedUp(event.target.checked)}
        />
      )}
      <FormProblem text={problem && Object.keys(problem.fields).length === 0 ? problem.detail : null} />
      <Button look="act" type="submit" className="w-fit" disabled={!isAsked || !line.item.trim() || quantity === 0}>
        Put it on the shopping list
      </Button>
      {!isAsked && <p className="text-[12px] text-quiet">Say above what it has to do, or that it is used up.</p>}
    </form>
  )
}
