import { z } from 'zod'
import { kitFilterSchema } from '../../kit/unit/kit-filter.ts'
import { defineContract } from '../contract.ts'

export const kitFileReportSchema = z.object({
  fresh: z.record(z.string(), z.number()),
  changed: z.record(z.string(), z.number()),
  unchanged: z.number(),
})
export type KitFileReport = z.infer<typeof kitFileReportSchema>

export const LIMIT_BYTES = 40_000_000

/** Routes of the kit as files. */
export const kitFileContract = defineContract('kit', {
  'get /export/kit.json': {
    summary: 'The whole kit as one JSON file, to be read by Exemplar or anything else',
    permission: 'change-kit',
    reply: 'file',
  },
  'get /export/kit.schema.json': {
    summary: 'The format of kit files as JSON Schema',
    permission: 'signed-in',
    reply: z.looseObject({}),
  },
  'get /export/inventory.csv': {
    summary: 'Things and stock as a list for a spreadsheet; read back at once it changes nothing',
    permission: 'see-studio',
    query: kitFilterSchema,
    reply: 'file',
  },
  'post /import/kit-file/preview': {
    summary: 'Say what a kit file would bring; writes nothing',
    permission: 'change-kit',
    rawLimit: LIMIT_BYTES,
    reply: kitFileReportSchema,
  },
  'post /import/kit-file': {
    summary: 'Import a kit file: all of it, or nothing',
    permission: 'change-kit',
    rawLimit: LIMIT_BYTES,
    reply: kitFileReportSchema,
    status: 201,
  },
})
