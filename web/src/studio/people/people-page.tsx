import {
  CONSENTS,
  formatMoney,
  isIncome,
  listTraitsOn,
  normaliseSkill,
  type Party,
  type Person,
  sayVendorRecord,
  TRAITS,
} from '@exemplar/core'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { usePartiesQuery, usePeopleQuery, useSetupNamesQuery, useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { useTold } from '../../foundation/api/use-told.ts'
import { Button } from '../../foundation/parts/button.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Empty, Section, Tag } from '../../foundation/parts/page-parts.tsx'
import { SheetDialog } from '../../foundation/parts/sheet-dialog.tsx'
import { sayDay, sayDayWithYear } from '../../foundation/words/calendar-words.ts'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useArchivePartyMutation, useArchivePersonMutation, usePartyQuery } from '../studio-api.ts'
import { PartyForm } from './party-form.tsx'
import { PARTY_NAMES } from './party-names.ts'
import { PersonForm } from './person-form.tsx'

type Open = { kind: 'person'; person: Person | null } | { kind: 'party'; party: Party | null }

/** The team with what each can do, and those outside it with what they did. */
export function PeoplePage() {
  const { data: people } = usePeopleQuery()
  const { data: parties } = usePartiesQuery()
  const [open, setOpen] = useState<Open | null>(null)
  const [params] = useSearchParams()
  const seen = params.get('see')
  const may = useMay()
  const canChange = may('change-directory')
  const [archivePerson] = useArchivePersonMutation()
  const [archiveParty] = useArchivePartyMutation()
  const run = useTold()
  const archive = async (act: typeof archivePerson | typeof archiveParty, it: Person | Party | null) => {
    if (!it) return false
    const isDone = await run(act({ id: it.id, version: it.version }).unwrap(), `${it.name} is archived.`)
    if (isDone) setOpen(null)
    return isDone
  }
  return (
    <div className="grid gap-x-10 lg:grid-cols-2">
      <div>
        <Section title="Team" aside={people && `${people.length}`}>
          <ul>
            {people?.map((person) => (
              <PersonRow
                key={person.id}
                person={person}
                isSeen={person.id === seen}
                onChange={canChange ? () => setOpen({ kind: 'person', person }) : undefined}
              />
            ))}
          </ul>
          {canChange && (
            <Button className="mt-3" onClick={() => setOpen({ kind: 'person', person: null })}>
              Add a person
            </Button>
          )}
        </Section>
        {people && <Skills people={people} />}
      </div>
      <Section title="Vendors, lenders, clients, repairers" aside={parties && `${parties.length}`}>
        {parties?.length === 0 && (
          <Empty title="Nobody yet">Whom you buy from, borrow from, work for, and who mends things.</Empty>
        )}
        <ul>
          {parties?.map((party) => (
            <PartyRow
              key={party.id}
              party={party}
              isSeen={party.id === seen}
              onChange={canChange ? () => setOpen({ kind: 'party', party }) : undefined}
            />
          ))}
        </ul>
        {canChange && (
          <Button className="mt-3" onClick={() => setOpen({ kind: 'party', party: null })}>
            Add a vendor or lender
          </Button>
        )}
      </Section>
      <SheetDialog
        open={open?.kind === 'person'}
        onClose={() => setOpen(null)}
        wide
        title={open?.kind === 'person' && open.person ? open.person.name : 'Add a person'}
      >
        {open?.kind === 'person' && <PersonForm person={open.person} onClose={() => setOpen(null)} />}
        {open?.kind === 'person' && open.person && (
          <ArchiveFoot name={open.person.name} onArchive={() => archive(archivePerson, open.person)} />
        )}
      </SheetDialog>
      <SheetDialog
        open={open?.kind === 'party'}
        onClose={() => setOpen(null)}
        title={open?.kind === 'party' && open.party ? open.party.name : 'Add a vendor or lender'}
      >
        {open?.kind === 'party' && <PartyForm party={open.party} onClose={() => setOpen(null)} />}
        {open?.kind === 'party' && open.party && (
          <ArchiveFoot name={open.party.name} onArchive={() => archive(archiveParty, open.party)} />
        )}
      </SheetDialog>
    </div>
  )
}

function Contacts({ contacts }: { contacts: Person['contacts'] }) {
  return contacts.map((it) => {
    const href =
      it.kind === 'telephone' ? `tel:${it.value.replaceAll(' ', '')}` : it.kind === 'mail' ? `mailto:${it.value}` : null
    return href ? (
      <a key={it.value} href={href} className="underline underline-offset-[3px]">
        {it.value}
      </a>
    ) : (
      <span key={it.value}>{it.value}</span>
    )
  })
}

function PersonRow({ person, isSeen, onChange }: { person: Person; isSeen: boolean; onChange?: () => void }) {
  const { today } = useTimeWords()
  return (
    <li
      className={`grid grid-cols-[1fr_auto] items-start gap-x-4 border-b border-rule py-2.5 ${isSeen ? 'bg-wash' : ''}`}
    >
      <div>
        <b>{person.name}</b>{' '}
        <span className="text-[13px] text-quiet">
          {[person.skills.join(', '), person.note].filter(Boolean).join(' · ')}
        </span>
        <div className="flex flex-wrap gap-x-4 text-[13px]">
          <Contacts contacts={person.contacts} />
        </div>
        <div className="flex flex-wrap gap-x-4">
          {listTraitsOn(person, today).map((it) => (
            <Mark key={it.trait} level="advise">
              {TRAITS[it.trait].label}
              {it.until && ` until ${sayDay(it.until)}`}
              {it.note && `: ${it.note}`}
            </Mark>
          ))}
          {person.consent.state !== 'given' && (
            <Mark level={person.consent.state === 'refused' ? 'warn' : 'unknown'}>
              To be filmed: {CONSENTS[person.consent.state].toLowerCase()}
            </Mark>
          )}
        </div>
      </div>
      {onChange && (
        <Button size="small" aria-label={`Change ${person.name}`} onClick={onChange}>
          Change
        </Button>
      )}
    </li>
  )
}

/** Which skill hangs on one person, and which setups wait for it. */
function Skills({ people }: { people: readonly Person[] }) {
  const { data: setups } = useSetupNamesQuery()
  const names = new Map<string, string>()
  for (const skill of [...people.flatMap((it) => it.skills), ...(setups ?? []).flatMap((it) => it.skills)]) {
    if (!names.has(normaliseSkill(skill))) names.set(normaliseSkill(skill), skill)
  }
  if (names.size === 0) return null
  return (
    <Section title="Who can do what">
      <ul>
        {[...names].sort().map(([key, name]) => {
          const knowing = people.filter((it) => it.skills.some((skill) => normaliseSkill(skill) === key))
          const waiting = (setups ?? []).filter((it) => it.skills.some((skill) => normaliseSkill(skill) === key))
          const level = waiting.length === 0 || knowing.length > 1 ? 'ok' : knowing.length === 1 ? 'advise' : 'stop'
          return (
            <li key={key} className="grid grid-cols-[110px_1fr] gap-3 border-b border-rule py-1.5 text-[13px]">
              <span>{name}</span>
              <span className="flex flex-wrap gap-x-3">
                {knowing.map((it) => it.name).join(', ') || 'nobody'}
                {level !== 'ok' && (
                  <span>
                    <Mark level={level}>
                      {knowing.length === 1 ? 'only one, ' : ''}wanted for {waiting.map((it) => it.name).join(', ')}
                    </Mark>
                  </span>
                )}
              </span>
            </li>
          )
        })}
      </ul>
    </Section>
  )
}

function PartyRow({ party, isSeen, onChange }: { party: Party; isSeen: boolean; onChange?: () => void }) {
  const [isOpen, setOpen] = useState(isSeen)
  return (
    <li className={`border-b border-rule py-2.5 ${isSeen ? 'bg-wash' : ''}`}>
      <div className="grid grid-cols-[1fr_auto] items-start gap-x-4">
        <div>
          <b>{party.name}</b>{' '}
          <span className="text-[13px] text-quiet">
            {[PARTY_NAMES[party.kind].toLowerCase(), party.note].filter(Boolean).join(' · ')}
          </span>
          <div className="flex flex-wrap gap-x-4 text-[13px]">
            <Contacts contacts={party.contacts} />
          </div>
        </div>
        <span className="flex gap-1.5">
          <Button
            size="small"
            aria-expanded={isOpen}
            aria-label={`History of ${party.name}`}
            onClick={() => setOpen(!isOpen)}
          >
            History
          </Button>
          {onChange && (
            <Button size="small" aria-label={`Change ${party.name}`} onClick={onChange}>
              Change
            </Button>
          )}
        </span>
      </div>
      {isOpen && <PartyHistory id={party.id} />}
    </li>
  )
}

function PartyHistory({ id }: { id: string }) {
  const { data } = usePartyQuery(id)
  const { data: studio } = useStudioQuery()
  if (!data) return null
  const said = sayVendorRecord(data.record)
  return (
    <div className="mt-2 text-[13px]">
      {said && <p className="mb-1">{said}</p>}
      {data.units.length > 0 && (
        <p className="mb-1">
          {data.units.map((it) => (
            <Link key={it.id} to={`/kit/${it.id}`} className="mr-3">
              <Tag>{it.tag}</Tag>
              {it.dueOn && <span className="text-quiet"> due {sayDay(it.dueOn)}</span>}
            </Link>
          ))}
        </p>
      )}
      <ul>
        {data.entries.slice(0, 12).map((it) => (
          <li key={it.id} className="flex gap-3">
            <span className="w-24 shrink-0 text-quiet">{sayDayWithYear(it.date)}</span>
            <span className="flex-1">{it.description}</span>
            {it.netMinor !== null && it.taxMinor !== null && (
              <span className="figures">
                {isIncome(it) && '− '}
                {formatMoney(it.netMinor + it.taxMinor, studio?.currency ?? 'GBP', 'column')}
              </span>
            )}
          </li>
        ))}
      </ul>
      {data.units.length + data.entries.length === 0 && <p className="text-quiet">Nothing recorded with them yet.</p>}
    </div>
  )
}

function ArchiveFoot({ name, onArchive }: { name: string; onArchive(): Promise<boolean> }) {
  return (
    <div className="mt-4 border-t border-rule pt-3">
      <Button size="small" onClick={onArchive}>
        Archive {name}
      </Button>
    </div>
  )
}
