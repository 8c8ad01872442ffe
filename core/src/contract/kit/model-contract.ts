import { z } from 'zod'
import { fitSchema } from '../../kit/model/fits.ts'
import { modelSchema, newModelSchema } from '../../kit/model/model.ts'
import { portSchema } from '../../kit/model/port.ts'
import { idSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'
import { versionedSchema } from '../replies.ts'

export const modelRowSchema = z.object({
  id: z.string(),
  maker: z.string(),
  name: z.string(),
  category: modelSchema.shape.category,
  aliases: z.array(z.string()),
  version: z.number(),
  things: z.number(),
})
export type ModelRow = z.infer<typeof modelRowSchema>

export const portFitsSchema = z.object({
  port: portSchema,
  fits: z.array(z.object({ ...fitSchema.shape, isOwned: z.boolean() })),
})
export type PortFits = z.infer<typeof portFitsSchema>

/** Routes of models. */
export const modelContract = defineContract('kit', {
  'get /models': {
    summary: 'Models by name, with how many things are of each',
    permission: 'see-studio',
    reply: z.array(modelRowSchema),
  },
  'get /models/:id/fits': {
    summary: 'What of the kit meets each port of a model',
    permission: 'see-studio',
    reply: z.array(portFitsSchema),
  },
  'put /models/:id': {
    summary: 'Change what a model is: its name, figures, ports and ways to power it',
    permission: 'change-kit',
    body: newModelSchema,
    reply: modelSchema,
    isChange: true,
  },
  'post /models/:id/merge': {
    summary: 'Two names of one model become one: this one goes into another',
    permission: 'change-kit',
    body: z.object({ intoId: idSchema }),
    reply: versionedSchema,
    isChange: true,
  },
})
