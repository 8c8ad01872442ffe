import { z } from 'zod'
import { fitSchema } from '../../kit/model/fits.ts'
import { modelSchema, newModelSchema } from '../../kit/model/model.ts'
import { portSchema } from '../../kit/model/port.ts'
import { factAnswerSchema, NEEDED_FACT_CODES } from '../../kit/template/needed-facts.ts'
import { idSchema, nameSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'
import { keptModelSchema, versionedSchema } from '../replies.ts'

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

/** One fact of one model that judging needs and nobody recorded. */
export const modelQuestionSchema = z.object({
  id: z.string(),
  version: z.number(),
  name: z.string(),
  category: modelSchema.shape.category,
  fact: z.enum(NEEDED_FACT_CODES),
  /** Things and kinds of stock that it is asked for. */
  things: z.number(),
})

/** Routes of models. */
export const modelContract = defineContract('kit', {
  'get /models': {
    summary: 'Models by name, with how many things are of each',
    permission: 'see-studio',
    reply: z.array(modelRowSchema),
  },
  'get /models/questions': {
    summary: 'What nobody recorded of the models that there are things of, and judging needs',
    permission: 'see-studio',
    reply: z.array(modelQuestionSchema),
  },
  'get /models/:id': {
    summary: 'What a model is',
    permission: 'see-studio',
    reply: keptModelSchema,
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
    reply: keptModelSchema,
    isChange: true,
  },
  'post /models/:id/facts': {
    summary: 'Answer one question about what a model is: by a connector, a new one, a figure, or that it has none',
    permission: 'change-kit',
    body: z.object({
      fact: z.enum(NEEDED_FACT_CODES),
      answer: z.discriminatedUnion('kind', [
        ...factAnswerSchema.options,
        /** A mount, card or pack family that is not in the list yet. */
        z.object({ kind: z.literal('new-interface'), label: nameSchema }),
      ]),
    }),
    reply: keptModelSchema,
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
