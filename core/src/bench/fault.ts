import { z } from 'zod'
import { idSchema, noteSchema, versionSchema } from '../studio/identity.ts'

/** Whether the thing can still work: `usable` keeps it in play, `unusable` takes it out until it is mended. */
export const SEVERITIES = ['usable', 'unusable'] as const

export const newFaultSchema = z.object({
  note: noteSchema.trim().min(1, 'Say in a few words what is wrong.'),
  severity: z.enum(SEVERITIES),
  bookingId: idSchema.nullable(),
})
export type NewFault = z.infer<typeof newFaultSchema>

export const faultSchema = newFaultSchema.extend({
  id: idSchema,
  unitId: idSchema,
  reportedAt: z.number().int(),
  mendedAt: z.number().int().nullable(),
  mendNote: noteSchema,
  version: versionSchema,
})
export type Fault = z.infer<typeof faultSchema>

export function isOpen(fault: Fault): boolean {
  return fault.mendedAt === null
}

/** The open fault, if any, that takes a thing out of use: the oldest. */
export function findBlockingFault(faults: readonly Fault[]): Fault | null {
  const blocking = faults.filter((fault) => isOpen(fault) && fault.severity === 'unusable')
  return blocking.sort((a, b) => a.reportedAt - b.reportedAt)[0] ?? null
}
