import { z } from 'zod'
import { idSchema, nameSchema, noteSchema, versionSchema } from './identity.ts'

export const newPersonSchema = z.object({ name: nameSchema, skills: z.array(nameSchema).max(40), note: noteSchema })
export const personSchema = newPersonSchema.extend({ id: idSchema, version: versionSchema })
export type Person = z.infer<typeof personSchema>

export const PARTY_KINDS = ['vendor', 'lender', 'client', 'repairer'] as const
export const newPartySchema = z.object({ name: nameSchema, kind: z.enum(PARTY_KINDS), note: noteSchema })
export const partySchema = newPartySchema.extend({ id: idSchema, version: versionSchema })
export type Party = z.infer<typeof partySchema>
