import type { StocktakeLine } from '@exemplar/core'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { readProblem } from '../../foundation/api/problem.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { CheckField, FormProblem, TextField } from '../../foundation/form/field.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { PageHead, Section, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { useScanHandler } from '../../foundation/parts/scanning.ts'
import { useNoteSeenMutation, useSettleStocktakeMutation, useStocktakeQuery } from '../kit-api.ts'

type Outcome = StocktakeLine['outcome']

const GROUPS: readonly { outcome: Outcome; title: string; level: 'stop' | 'warn' | 'advise' | 'ok'; text: string }[] = [
  { outcome: 'missing', title: 'Not seen yet', level: 'advise', text: 'not seen' },
  { outcome: 'count-differs', title: 'Another number', level: 'warn', text: 'counted otherwise' },
  { outcome: 'unknown-tag', title: 'Tags that nobody knows', level: 'warn', text: 'not in the kit' },
  { outcome: 'moved-here', title: 'Here, and said to be elsewhere', level: 'advise', text: 'turned up here' },
  { outcome: 'back-early', title: 'Here, and said to be away', level: 'advise', text: 'said to be away' },
  { outcome: 'here', title: 'Where it should be', level: 'ok', text: 'here' },
]

/** One count under way: scan, tick, or type what is there; then settle what differs. */
export function CountPage() {
  const { id = '' } = useParams()
  const { data, error, refetch } = useStocktakeQuery(id)
  const [note, noting] = useNoteSeenMutation()
  const [settle] = useSettleStocktakeMutation()
  const [lost, setLost] = useState<ReadonlySet<string>>(new Set())
  const run = useTold()
  const may = useMay()
  const navigate = useNavigate()
  const see = (tag: string, quantity: number | null = null, isSeen = true) =>
    note({ id, tag, quantity, isSeen })
      .unwrap()
      .catch(() => {})
  const isOpen = data?.closedAt === null && may('count-stock')
  useScanHandler((tag) => {
    if (!isOpen) return false
    see(tag)
    return true
  })
  if (!data) return <Waiting what="the count" error={error} onRetry={refetch} />
  const expected = data.lines.filter(
    (it) => it.outcome === 'missing' || it.outcome === 'here' || it.outcome === 'count-differs',
  )
  const met = expected.filter((it) => it.outcome !== 'missing').length
  return (
    <>
      <PageHead title={`Counting ${data.place ?? 'everything'}`} aside={`${met} of ${expected.length} seen`}>
        {isOpen && (
          <Button
            look="act"
            onClick={() =>
              run(
                settle({ id, version: data.version, lost: [...lost] })
                  .unwrap()
                  .then(() => navigate('/kit/count')),
                'Settled.',
              )
            }
          >
            Settle it{lost.size > 0 ? `, ${lost.size} lost` : ''}
          </Button>
        )}
      </PageHead>
      <div className="px-4 pt-3 pb-20 md:px-5">
        {isOpen && <SeeForm onSee={see} />}
        <FormProblem text={noting.error ? readProblem(noting.error).detail : null} />
        {data.closedAt !== null && <Mark level="ok">This count is settled; what is below compares it with today.</Mark>}
        {GROUPS.map(({ outcome, title, level, text }) => {
          const lines = data.lines.filter((it) => it.outcome === outcome)
          if (lines.length === 0) return null
          return (
            <Section key={outcome} title={title} aside={lines.length}>
              <ul>
                {lines.map((line) => (
                  <li
                    key={line.tag}
                    className="flex min-h-11 flex-wrap items-center gap-3 border-b border-rule py-1 text-[13px]"
                  >
                    <Tag>{line.tag}</Tag>
                    <span className="min-w-40 flex-1">
                      {line.id ? <Link to={`/kit/${line.id}`}>{line.name}</Link> : line.name}
                    </span>
                    {line.expected !== null && (
                      <CountBox line={line} isOpen={isOpen} onSee={(quantity) => see(line.tag, quantity)} />
                    )}
                    <Mark level={level}>{text}</Mark>
                    {isOpen && outcome === 'missing' && line.expected === null && (
                      <>
                        <Button className="h-9" onClick={() => see(line.tag)}>
                          It is here
                        </Button>
                        <CheckField
                          label="Lost"
                          checked={lost.has(line.tag)}
                          onChange={(event) => {
                            const next = new Set(lost)
                            if (event.target.checked) next.add(line.tag)
                            else next.delete(line.tag)
                            setLost(next)
                          }}
                        />
                      </>
                    )}
                    {isOpen && outcome !== 'missing' && (
                      <Button
                        look="quiet"
                        aria-label={`${line.tag} was not seen`}
                        onClick={() => see(line.tag, null, false)}
                      >
                        Not seen
                      </Button>
                    )}
                  </li>
                ))}
              </ul>
            </Section>
          )
        })}
      </div>
    </>
  )
}

/** For whoever has neither camera nor scanner: the tag by hand. */
function SeeForm({ onSee }: { onSee(tag: string): void }) {
  const [text, setText] = useState('')
  const tag = text.trim().toUpperCase()
  return (
    <form
      className="flex max-w-[460px] items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (!tag) return
        onSee(tag)
        setText('')
      }}
    >
      <div className="flex-1">
        <TextField
          label="Scan, or type a tag"
          hint="A scanner works anywhere on this page"
          value={text}
          autoCapitalize="characters"
          onChange={(event) => setText(event.target.value)}
        />
      </div>
      <Button type="submit" className="mb-5 h-9">
        Seen
      </Button>
    </form>
  )
}

function CountBox({ line, isOpen, onSee }: { line: StocktakeLine; isOpen: boolean; onSee(quantity: number): void }) {
  const [text, setText] = useState(String(line.seen ?? ''))
  if (!isOpen)
    return (
      <span className="figures">
        {line.seen ?? '–'} of {line.expected}
      </span>
    )
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (/^\d{1,6}$/.test(text)) onSee(Number(text))
      }}
    >
      <input
        aria-label={`How many of ${line.tag}`}
        inputMode="numeric"
        className="h-9 w-20 rounded-paper border border-rule-strong bg-sheet px-2 text-right"
        placeholder={`${line.expected}?`}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Button type="submit" className="h-9">
        Counted
      </Button>
    </form>
  )
}
