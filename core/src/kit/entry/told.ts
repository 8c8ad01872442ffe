import { z } from 'zod'
import { idSchema } from '../../studio/identity.ts'

const codeOrNull = idSchema.nullable().optional()

const wholeOrNull = z.number().int().min(0).max(1e12).nullable().optional()

const inputsOrNull = z.number().int().min(1).max(64).nullable().optional()

/** What is told by a name that no question has is said, and not let fall. */
const sayUnknown = (issue: { code?: string; keys?: string[] }) =>
  issue.code === 'unrecognized_keys' ? `No question is called ${(issue.keys ?? []).join(' or ')}.` : undefined

/** What is told of a thing by the questions of its kind; what is left out is not known. */
export const factsSchema = z.strictObject(
  {
    mount: codeOrNull,
    frontMount: codeOrNull,
    battery: codeOrNull,
    batteryCount: z.number().int().min(1).max(8).nullable().optional(),
    inlet: codeOrNull,
    milliwatts: wholeOrNull,
    massGrams: wholeOrNull,
    loadGrams: wholeOrNull,
    energyMilliwattHours: wholeOrNull,
    capacityMegabytes: wholeOrNull,
    cardMegabytesPerSecond: wholeOrNull,
    kilobitsPerSecond: z.number().int().min(1).max(1e9).nullable().optional(),
    endA: codeOrNull,
    endB: codeOrNull,
    outlets: z.number().int().min(1).max(64).nullable().optional(),
    plug: codeOrNull,
    videoOut: codeOrNull,
    videoIn: codeOrNull,
    videoInputs: inputsOrNull,
    soundIn: codeOrNull,
    soundInputs: inputsOrNull,
    soundOut: codeOrNull,
    cardForm: codeOrNull,
    holes: codeOrNull,
    widthMinMm: wholeOrNull,
    widthMaxMm: wholeOrNull,
    depthMm: wholeOrNull,
    heightMm: wholeOrNull,
  },
  { error: sayUnknown },
)

/** Which of them are only what is usual of such things. */
export const usualSchema = z.array(z.string().max(40)).max(40).default([])
