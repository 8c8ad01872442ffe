import { z } from 'zod'
import { newSavedViewSchema, savedViewSchema } from '../../kit/unit/kit-filter.ts'
import { defineContract } from '../contract.ts'
import { versionedSchema } from '../replies.ts'

/** Routes of named ways to look at the kit. */
export const viewContract = defineContract('kit', {
  'get /kit-views': {
    summary: 'Ways to look at the kit that have a name',
    permission: 'see-studio',
    reply: z.array(savedViewSchema),
  },
  'post /kit-views': {
    summary: 'Keep a way to look at the kit',
    permission: 'change-kit',
    body: newSavedViewSchema,
    reply: savedViewSchema,
    status: 201,
  },
  'delete /kit-views/:id': {
    summary: 'Let a way to look at the kit go',
    permission: 'change-kit',
    reply: versionedSchema,
    isChange: true,
  },
})
