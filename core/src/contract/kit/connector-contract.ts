import { z } from 'zod'
import { fitSchema } from '../../kit/model/fits.ts'
import { interfaceSchema, newInterfaceSchema } from '../../kit/model/interface.ts'
import { defineContract } from '../contract.ts'

export const interfaceRowSchema = z.object({ ...interfaceSchema.shape, isStandard: z.boolean() })
export type InterfaceRow = z.infer<typeof interfaceRowSchema>

export const interfaceFitsSchema = z.object({
  interface: interfaceSchema,
  hosts: z.array(fitSchema),
  guests: z.array(fitSchema),
})
export type InterfaceFits = z.infer<typeof interfaceFitsSchema>

/** Routes of connectors and what fits them. */
export const connectorContract = defineContract('kit', {
  'get /interfaces': {
    summary: 'Where two things can meet',
    permission: 'see-studio',
    reply: z.array(interfaceRowSchema),
  },
  'get /interfaces/:code/fits': {
    summary: 'Everything that receives at an interface, and everything that goes in or on',
    permission: 'see-studio',
    reply: interfaceFitsSchema,
  },
  'post /interfaces': {
    summary: 'Add a mount, battery family, plate or plug of the studio’s own',
    permission: 'change-kit',
    body: newInterfaceSchema,
    reply: interfaceSchema,
    status: 201,
  },
  'put /interfaces/:code': {
    summary: 'Change an interface of the studio’s own; what a standard names stays',
    permission: 'change-kit',
    body: newInterfaceSchema,
    reply: interfaceSchema,
    isChange: true,
  },
})
