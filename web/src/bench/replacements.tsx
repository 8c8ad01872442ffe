import { type BenchReply, formatMoney, REPLACEMENT_REASONS } from '@exemplar/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { useAddShoppingLineMutation, useStudioQuery, useUnitQuery } from '../foundation/api/api.ts'
import { useMay } from '../foundation/api/session.ts'
import { useTold } from '../foundation/api/use-told.ts'
import { TextField } from '../foundation/form/field.tsx'
import { Button } from '../foundation/parts/button.tsx'
import { Mark } from '../foundation/parts/mark.tsx'
import { Section, Tag } from '../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../foundation/parts/sheet-dialog.tsx'
import { sayDayWithYear } from '../foundation/words/calendar-words.ts'
import { useKeepThingMutation } from './repair-api.ts'

type Replacement = BenchReply['replacements'][number]

/** What is due for replacement; what is kept all the same stands with why and until when. */
export function Replacements({ replacements }: { replacements: readonly Replacement[] }) {
  const [keeping, setKeeping] = useState<Replacement | null>(null)
  const { data: studio } = useStudioQuery()
  const [add] = useAddShoppingLineMutation()
  const run = useTold()
  const may = useMay()
  if (replacements.length === 0) return null
  const plan = ({ tag, name, note }: Replacement) =>
    run(
      add({ item: name, quantity: 1, reason: `${tag}: ${note}`, stockId: null, setupId: null, group: null }).unwrap(),
      'It is on the shopping list.',
    )
  return (
    <Section title="Due for replacement" aside={String(replacements.filter((it) => !it.isKept).length)}>
      <ul>
        {replacements.map((it) => (
          <li
            key={it.unitId}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule py-2 text-[13px]"
          >
            <span className="min-w-56 flex-1">
              <Link to={`/kit/${it.unitId}`} className="font-medium">
                <Tag>{it.tag}</Tag> {it.name}
              </Link>
              <span className="block text-quiet">
                {REPLACEMENT_REASONS[it.why]}: {it.note}
                {it.newMinor !== null &&
                  may('see-money') &&
                  ` · another costs ${formatMoney(it.newMinor, studio?.currency ?? 'GBP')}`}
              </span>
              {it.keptBecause && (
                <Mark level={it.isKept ? 'ok' : 'warn'}>
                  {it.isKept ? 'kept' : 'was kept'}, because {it.keptBecause}
                  {it.keptUntil && `, until ${sayDayWithYear(it.keptUntil)}`}
                </Mark>
              )}
              {it.isPlanned && <span className="block text-quiet">Another is on the shopping list.</span>}
            </span>
            {may('ask-to-buy') && !it.isPlanned && (
              <Button size="small" onClick={() => plan(it)}>
                Plan another
              </Button>
            )}
            {may('change-kit') && (
              <Button size="small" onClick={() => setKeeping(it)}>
                Keep it all the same
              </Button>
            )}
          </li>
        ))}
      </ul>
      <SheetDialog open={keeping !== null} onClose={() => setKeeping(null)} title={`Keep ${keeping?.tag ?? ''}`}>
        {keeping && <KeepForm it={keeping} onClose={() => setKeeping(null)} />}
      </SheetDialog>
    </Section>
  )
}

function KeepForm({ it, onClose }: { it: Replacement; onClose(): void }) {
  const { data } = useUnitQuery(it.unitId)
  const [because, setBecause] = useState(it.keptBecause)
  const [until, setUntil] = useState(it.keptUntil ?? '')
  const [isAsked, setAsked] = useState(false)
  const [keep] = useKeepThingMutation()
  const run = useTold()
  return (
    <form
      className="grid gap-3"
      onSubmit={async (event) => {
        event.preventDefault()
        setAsked(true)
        if (!because.trim() || !data) return
        const body = { because: because.trim(), until: until || null }
        if (await run(keep({ id: it.unitId, version: data.version, body }).unwrap(), `${it.tag} is kept.`)) onClose()
      }}
    >
      <TextField
        label="Why it is kept"
        autoFocus
        value={because}
        maxLength={300}
        problem={isAsked && !because.trim() ? 'Say why it is kept.' : undefined}
        onChange={(event) => setBecause(event.target.value)}
      />
      <TextField
        label="Ask again after"
        hint="Left blank, nobody is asked again"
        type="date"
        value={until}
        onChange={(event) => setUntil(event.target.value)}
      />
      <Button look="act" type="submit" className="w-fit">
        Keep it
      </Button>
    </form>
  )
}
