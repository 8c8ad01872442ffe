import { z } from 'zod'
import { incidentChangeSchema, incidentSchema, newIncidentSchema } from '../bench/incident.ts'
import { defineContract } from './contract.ts'
import { serveSchema } from './replies.ts'

const incidentReplySchema = z.object({
  ...incidentSchema.shape,
  person: z.string().nullable(),
  hit: z.array(
    z.object({
      unitId: z.string(),
      tag: z.string(),
      name: z.string(),
      /** The fault that came of it, as it stands now. */ fault: z.enum(['open', 'mended']).nullable(),
    }),
  ),
  /** On the start lists of these setups its lesson stands. */
  stands: z.array(serveSchema.pick({ id: true, code: true, tape: true })),
})
export type IncidentReply = z.infer<typeof incidentReplySchema>

/** Routes of accidents and what was learned from them. */
export const incidentContract = defineContract('bench', {
  'get /incidents': {
    summary: 'Accidents with what they hit, and where their lessons stand',
    permission: 'see-studio',
    reply: z.array(incidentReplySchema),
  },
  'post /incidents': {
    summary: 'Write down an accident: what was hit has its fault, and the lesson its line, in one step',
    permission: 'report-fault',
    body: newIncidentSchema,
    reply: incidentSchema,
    status: 201,
  },
  'put /incidents/:id': {
    summary: 'Put better what is said of an accident, or change its lesson',
    permission: 'mend',
    body: incidentChangeSchema,
    reply: incidentSchema,
    isChange: true,
  },
})
