import { z } from 'zod'
import { defineContract } from '../contract.ts'

/** Routes of what others change, as it happens. */
export const liveContract = defineContract('studio', {
  'get /live': {
    summary: 'Changes as they happen, as server-sent events; goes on after the id in Last-Event-ID or `since`',
    permission: 'see-studio',
    query: z.object({ since: z.coerce.number().int().min(0).optional() }),
    reply: 'file',
  },
})
