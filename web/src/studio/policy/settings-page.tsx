import {
  COUNTRIES,
  COUNTRY_CODES,
  type CountryCode,
  PLUG_SYSTEM_CODES,
  PLUG_SYSTEMS,
  readPercent,
  type StudioReply,
  type StudioSettings,
  studioSettingsSchema,
} from '@exemplar/core'
import { useState } from 'react'
import { useChangeStudioMutation, useStudioQuery } from '../../foundation/api/api.ts'
import { ConflictPanel } from '../../foundation/form/conflict.tsx'
import { FormProblem, SelectField, TextField } from '../../foundation/form/field.tsx'
import { useSaving } from '../../foundation/form/use-saving.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Section, Waiting } from '../../foundation/parts/page-parts.tsx'

type NumberKey = {
  [K in keyof StudioSettings]: StudioSettings[K] extends number ? K : never
}[keyof StudioSettings]

const GROUPS: readonly { title: string; fields: readonly [key: NumberKey, label: string, changes: string][] }[] = [
  {
    title: 'Mains',
    fields: [
      ['mainsVolts', 'Volts of a socket', 'What a new circuit starts with.'],
      [
        'continuousLoadPercent',
        'Load of a circuit for three hours or more, %',
        'NFPA 70 has 80; your own code decides.',
      ],
      [
        'dropAdvisePercent',
        'Voltage drop along leads advised against from, %',
        'BS 7671 has 3 for lighting, as a guide.',
      ],
      ['dropWarnPercent', 'Voltage drop warned of from, %', 'BS 7671 has 5 for other uses, as a guide.'],
      ['leadSlackPercent', 'Slack of every lead, %', 'Added to the way from a socket to a spot.'],
    ],
  },
  {
    title: 'Packs and cards',
    fields: [
      ['sparePacks', 'Spare packs of each family', 'Beyond what the sum of the devices says.'],
      ['packEfficiencyPercent', 'Share of a pack that reaches the device, %', 'Losses in plates and converters.'],
      ['cardHeadroomPercent', 'Kept free on every card, %', 'Common practice is 10.'],
    ],
  },
  {
    title: 'Upkeep, room and picture',
    fields: [
      ['serviceNoticeDays', 'Services are shown so many days ahead', 'On Today and on the bench.'],
      [
        'gazeDegrees',
        'Eyes may look past the lens by, °',
        'Beyond it a screen beside the lens is told. About 5 is common practice.',
      ],
      ['doorClearanceMm', 'Room beside a thing carried through a door, mm', 'Decides what fits through a door.'],
    ],
  },
  {
    title: 'Backups kept',
    fields: [
      ['keepDaily', 'Of so many days', 'The newest of each.'],
      ['keepWeekly', 'Of so many weeks', 'The newest of each.'],
      ['keepMonthly', 'Of so many months', 'The newest of each. Backups by hand are always kept.'],
    ],
  },
]
const NUMBER_KEYS = GROUPS.flatMap((group) => group.fields.map(([key]) => key))

export function SettingsPage() {
  const { data: studio, error, refetch } = useStudioQuery()
  if (!studio) return <Waiting what="the settings" error={error} onRetry={refetch} />
  return <SettingsForm latest={studio} />
}

function SettingsForm({ latest }: { latest: StudioReply }) {
  // What the draft was made from. Others may change the settings meanwhile; that is said when this is saved.
  const [studio, setStudio] = useState(latest)
  const [numbers, setNumbers] = useState(() => toNumbers(studio))
  const [rest, setRest] = useState(() => toRest(studio))
  const [ours, setOurs] = useState<Record<string, string>>({})
  const [change] = useChangeStudioMutation()
  const { problem, conflict, isSaving, save, clear } = useSaving(() => {})
  const problemOf = (key: string) => ours[key] ?? problem?.fields[key]
  const submit = async (version = studio.version) => {
    const typed = Object.fromEntries(
      NUMBER_KEYS.map((key) => [key, numbers[key].trim() === '' ? null : Number(numbers[key])]),
    )
    const brandColours = rest.brandColours.split(/[\s,]+/).filter(Boolean)
    const { giftTax, ...others } = rest
    const giftTaxBasisPoints = giftTax.trim() === '' ? null : (readPercent(giftTax) ?? Number.NaN)
    const reading = studioSettingsSchema.safeParse({
      ...studio,
      ...typed,
      ...others,
      giftTaxBasisPoints,
      brandColours,
    })
    if (!reading.success) {
      const said = reading.error.issues.map((it) => [String(it.path[0]), say(it)])
      setOurs({
        ...Object.fromEntries(said),
        ...(Number.isNaN(giftTaxBasisPoints) ? { giftTaxBasisPoints: 'A share of 0 to 100, such as 20 or 17.5.' } : {}),
      })
      return
    }
    setOurs({})
    await save(
      () =>
        change({ version, body: reading.data })
          .unwrap()
          .then((saved) => setStudio({ ...saved, now: studio.now })),
      'Saved. Every verdict follows these settings now.',
    )
  }
  const takeTheirs = () => {
    setStudio(latest)
    setNumbers(toNumbers(latest))
    setRest(toRest(latest))
    clear()
  }
  const moveTo = (country: CountryCode) => {
    const { plugSystem, currency, zone, unitSystem } = COUNTRIES[country]
    const { volts, hertz } = PLUG_SYSTEMS[plugSystem]
    setRest({ ...rest, country, plugSystem, currency, zone, unitSystem, mainsHertz: hertz })
    setNumbers({ ...numbers, mainsVolts: String(volts) })
  }
  const text = (key: 'name' | 'currency' | 'zone' | 'brandColours', label: string, hint: string) => (
    <TextField
      label={label}
      hint={hint || undefined}
      value={rest[key]}
      problem={problemOf(key)}
      onChange={(event) => setRest({ ...rest, [key]: event.target.value })}
    />
  )
  return (
    <form
      className="max-w-[860px]"
      onSubmit={(event) => {
        event.preventDefault()
        submit()
      }}
    >
      <Section title="The studio">
        <div className="mt-3 grid gap-3 md:grid-cols-3">
          {text('name', 'Name of the studio', '')}
          <SelectField
            label="Country"
            hint="Brings its sockets, voltage, currency, zone and measures with it; each can be changed."
            value={rest.country}
            onChange={(event) => moveTo(event.target.value as CountryCode)}
          >
            {COUNTRY_CODES.map((code) => (
              <option key={code} value={code}>
                {COUNTRIES[code].name}
              </option>
            ))}
          </SelectField>
          {text('currency', 'Currency', 'Three letters, such as GBP. Amounts already recorded keep their numbers.')}
          {text('zone', 'Time zone', 'Such as Europe/London. Plans keep their wall time.')}
          <SelectField
            label="Measures"
            hint="How lengths and masses are written; you may type either."
            value={rest.unitSystem}
            onChange={(event) => setRest({ ...rest, unitSystem: event.target.value as StudioSettings['unitSystem'] })}
          >
            <option value="metric">Metres and kilograms</option>
            <option value="imperial">Feet and pounds</option>
          </SelectField>
          <TextField
            label="Tax on a gift, % of its worth"
            hint="Where gifts for coverage are income; left blank, nothing is reckoned. Your country decides."
            inputMode="decimal"
            value={rest.giftTax}
            problem={problemOf('giftTaxBasisPoints')}
            onChange={(event) => setRest({ ...rest, giftTax: event.target.value })}
          />
          {text('brandColours', 'Brand colours, as #rrggbb', 'Finds the rooms that carry them.')}
        </div>
      </Section>
      {GROUPS.map((group) => (
        <Section key={group.title} title={group.title}>
          <div className="mt-3 grid gap-3 md:grid-cols-3">
            {group.title === 'Mains' && (
              <>
                <SelectField
                  label="Sockets of the house"
                  hint={`New leads, strips and circuits end in them. ${PLUG_SYSTEMS[rest.plugSystem].source}.`}
                  value={rest.plugSystem}
                  onChange={(event) =>
                    setRest({ ...rest, plugSystem: event.target.value as StudioSettings['plugSystem'] })
                  }
                >
                  {PLUG_SYSTEM_CODES.map((code) => (
                    <option key={code} value={code}>
                      {PLUG_SYSTEMS[code].label}
                    </option>
                  ))}
                </SelectField>
                <SelectField
                  label="Hertz"
                  hint="For shutter times that do not flicker; no check asks it yet."
                  value={String(rest.mainsHertz)}
                  onChange={(event) =>
                    setRest({ ...rest, mainsHertz: Number(event.target.value) as StudioSettings['mainsHertz'] })
                  }
                >
                  <option value="50">50</option>
                  <option value="60">60</option>
                </SelectField>
                <SelectField
                  label="Rule for long loads"
                  hint="How a load of three hours or more is reckoned. Local codes and a licensed electrician decide."
                  value={rest.loadRule}
                  onChange={(event) => setRest({ ...rest, loadRule: event.target.value as StudioSettings['loadRule'] })}
                >
                  <option value="whole">The whole load against the share (cautious)</option>
                  <option value="part">Only what runs long is reckoned higher</option>
                  <option value="none">No such rule here</option>
                </SelectField>
              </>
            )}
            {group.fields.map(([key, label, changes]) => (
              <TextField
                key={key}
                label={label}
                hint={changes}
                inputMode="numeric"
                value={numbers[key]}
                problem={problemOf(key)}
                onChange={(event) => setNumbers({ ...numbers, [key]: event.target.value })}
              />
            ))}
          </div>
        </Section>
      ))}
      <div className="mt-5 grid gap-3">
        {conflict && <ConflictPanel conflict={conflict} onMine={submit} onTheirs={takeTheirs} />}
        <FormProblem
          text={problem?.detail ?? (Object.keys(ours).length ? 'Please look at the marked fields.' : null)}
        />
        <Button look="act" type="submit" className="w-fit" disabled={isSaving}>
          Save the settings
        </Button>
      </div>
    </form>
  )
}

function toNumbers(studio: StudioSettings): Record<NumberKey, string> {
  return Object.fromEntries(NUMBER_KEYS.map((key) => [key, String(studio[key])])) as Record<NumberKey, string>
}

function toRest(settings: StudioSettings) {
  const { name, country, plugSystem, currency, zone, unitSystem, mainsHertz, loadRule, brandColours } = settings
  const colours = brandColours.join(' ')
  const giftTax = settings.giftTaxBasisPoints === null ? '' : String(settings.giftTaxBasisPoints / 100)
  return { name, country, plugSystem, currency, zone, unitSystem, mainsHertz, loadRule, giftTax, brandColours: colours }
}

function say({
  code,
  message,
  ...issue
}: {
  code?: string
  message: string
  minimum?: unknown
  maximum?: unknown
}): string {
  if (code === 'too_big') return `At most ${issue.maximum}.`
  if (code === 'too_small') return `At least ${issue.minimum}.`
  if (code === 'invalid_type') return 'Write a whole number.'
  return message
}
