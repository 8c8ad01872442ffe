import { z } from 'zod'
import { columnMappingSchema } from '../../kit/import/column-guess.ts'
import { lineOutcomeSchema } from '../../kit/import/import-plan.ts'
import { INVENTORY_COLUMNS } from '../../kit/import/inventory-columns.ts'
import { defineContract } from '../contract.ts'

/** A list of five megabytes with what was decided about it. */
const LIST_BYTES = 6_000_000

export const importSchema = z.object({
  csv: z.string('Send the text of the file.').max(5_000_000, 'The file is larger than 5 MB. Split it.'),
  leaveOut: z.array(z.number().int()).max(20_000).default([]),
  asNew: z.array(z.number().int()).max(20_000).default([]),
  columns: z
    .array(z.union([z.enum(INVENTORY_COLUMNS), z.literal('')]))
    .max(200)
    .nullable()
    .default(null),
  corrections: z
    .array(z.object({ line: z.number().int(), column: z.enum(INVENTORY_COLUMNS), value: z.string().max(2000) }))
    .max(20_000)
    .default([]),
})

export const importReportSchema = z.object({
  isClean: z.boolean(),
  fileProblems: z.array(z.string()),
  headings: z.array(z.string()),
  columns: columnMappingSchema,
  assumptions: z.array(z.string()),
  counts: z.object({
    things: z.number(),
    stock: z.number(),
    models: z.number(),
    places: z.number(),
    updates: z.number(),
    same: z.number(),
    repeats: z.number(),
    bad: z.number(),
    leftOut: z.number(),
  }),
  lines: z.array(
    z.object({
      line: z.number(),
      outcome: lineOutcomeSchema,
      tag: z.string(),
      name: z.string(),
      adds: z.array(z.string()),
      changes: z.array(
        z.object({
          field: z.string(),
          before: z.string(),
          after: z.string(),
        }),
      ),
      remarks: z.array(z.string()),
      problems: z.array(
        z.object({
          column: z.enum(INVENTORY_COLUMNS).nullable(),
          received: z.string(),
          text: z.string(),
        }),
      ),
    }),
  ),
})
export type ImportReport = z.infer<typeof importReportSchema>

/** Routes of bringing a list in. */
export const importContract = defineContract('kit', {
  'post /import/inventory/preview': {
    summary: 'Say what an inventory list would bring, line by line; writes nothing',
    permission: 'change-kit',
    body: importSchema,
    bodyLimit: LIST_BYTES,
    reply: importReportSchema.nullable(),
  },
  'post /import/inventory': {
    summary: 'Import an inventory list: all lines, or nothing',
    permission: 'change-kit',
    body: importSchema,
    bodyLimit: LIST_BYTES,
    reply: importReportSchema.nullable(),
    status: 201,
  },
  'post /import/inventory/told': {
    summary: 'The same, telling how far it is; closing the connection breaks it off and leaves nothing',
    permission: 'change-kit',
    body: importSchema,
    bodyLimit: LIST_BYTES,
    reply: 'file',
  },
})
