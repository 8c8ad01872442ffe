import { z } from 'zod'
import { ATTACHED_TO, ATTACHMENT_LIMIT_BYTES, attachmentSchema } from '../../studio/archive/attachment.ts'
import { idSchema } from '../../studio/identity.ts'
import { defineContract } from '../contract.ts'
import { versionedSchema } from '../replies.ts'

export const subjectSchema = z.object({ subjectType: z.enum(ATTACHED_TO), subjectId: idSchema })

/** Routes of photos and papers. */
export const attachmentContract = defineContract('studio', {
  'get /attachments': {
    summary: 'Photos and papers of one subject',
    permission: 'see-studio',
    query: subjectSchema,
    reply: z.array(attachmentSchema),
  },
  'get /photos': {
    summary: 'For each thing its first photo, or that of another piece of its model',
    permission: 'see-studio',
    reply: z.record(z.string(), z.string()),
  },
  'post /attachments': {
    summary: 'Attach a photo or paper: JPEG, PNG, WebP or PDF, known by its content',
    permission: 'attach-files',
    query: subjectSchema.extend({ name: z.string().max(300).default('file') }),
    rawLimit: ATTACHMENT_LIMIT_BYTES,
    reply: attachmentSchema,
    status: 201,
  },
  'get /attachments/:id/file': {
    summary: 'The bytes of an attachment',
    permission: 'see-studio',
    reply: 'file',
  },
  'get /attachments/:id/thumbnail': {
    summary: 'A photo in small, as WebP',
    permission: 'see-studio',
    reply: 'file',
  },
  'delete /attachments/:id': {
    summary: 'Take an attachment away; the file is kept for taking that back',
    permission: 'attach-files',
    reply: versionedSchema,
    isChange: true,
  },
})
