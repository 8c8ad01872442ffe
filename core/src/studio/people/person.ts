import { z } from 'zod'
import { dateSchema } from '../../units/wall-time.ts'
import { idSchema, nameSchema, noteSchema, versionSchema } from '../identity.ts'
import { contactList } from './secrecy.ts'

export const CONTACT_KINDS = ['telephone', 'mail', 'other'] as const
export const contactSchema = z.object({
  kind: z.enum(CONTACT_KINDS),
  value: z.string().trim().min(1, 'Write the number or address.').max(160),
})
export type Contact = z.infer<typeof contactSchema>

/** What is so about a person in front of or behind the camera, and which demand of a setup it meets. */
export const TRAITS = {
  'wears-spectacles': { label: 'Wears spectacles', against: 'lamp-near-lens' },
  'no-worn-microphone': { label: 'Wears no microphone', against: 'worn-microphone' },
  'stays-seated': { label: 'Has to stay seated', against: 'standing' },
  'no-lifting': { label: 'Lifts nothing heavy', against: 'lifting' },
} as const
export type Trait = keyof typeof TRAITS
export const TRAIT_CODES = Object.keys(TRAITS) as [Trait, ...Trait[]]

export const personTraitSchema = z.object({
  trait: z.enum(TRAIT_CODES),
  /** The last day on which it holds; null for good. */
  until: dateSchema.nullable(),
  note: z.string().max(200),
})
export type PersonTrait = z.infer<typeof personTraitSchema>

/** Whether somebody agreed to be filmed and published. Nobody's silence is consent. */
export const CONSENTS = { unknown: 'Not asked yet', given: 'Agreed', refused: 'Refused' } as const
export const CONSENT_CODES = Object.keys(CONSENTS) as [keyof typeof CONSENTS, ...(keyof typeof CONSENTS)[]]
export const consentSchema = z.object({
  state: z.enum(CONSENT_CODES),
  on: dateSchema.nullable(),
  note: z.string().max(400),
})

const contactsSchema = z.array(contactSchema).max(12)

export const newPersonSchema = z.object({
  name: nameSchema,
  skills: z.array(nameSchema).max(40),
  note: noteSchema,
  contacts: contactList(contactsSchema.default([])),
  traits: z.array(personTraitSchema).max(12).default([]),
  consent: consentSchema.default({ state: 'unknown', on: null, note: '' }),
})
export type NewPerson = z.infer<typeof newPersonSchema>
export const personSchema = newPersonSchema.extend({ id: idSchema, version: versionSchema })
export type Person = z.infer<typeof personSchema>

export const PARTY_KINDS = ['vendor', 'lender', 'client', 'repairer'] as const
export const newPartySchema = z.object({
  name: nameSchema,
  kind: z.enum(PARTY_KINDS),
  note: noteSchema,
  contacts: contactList(contactsSchema.default([])),
})
export type NewParty = z.infer<typeof newPartySchema>
export const partySchema = newPartySchema.extend({ id: idSchema, version: versionSchema })
export type Party = z.infer<typeof partySchema>

/** The traits of a person that hold on a day. */
export function listTraitsOn({ traits }: Pick<Person, 'traits'>, date: string): PersonTrait[] {
  return traits.filter((it) => it.until === null || it.until >= date)
}

/** Writes a skill the way it is compared: "Switcher " and "switcher" are one. */
export function normaliseSkill(skill: string): string {
  return skill.trim().toLowerCase()
}

export function hasSkill({ skills }: Pick<Person, 'skills'>, skill: string): boolean {
  return skills.some((it) => normaliseSkill(it) === normaliseSkill(skill))
}
