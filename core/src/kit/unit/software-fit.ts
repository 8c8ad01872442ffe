import { z } from 'zod'
import { findingLevelSchema } from '../../studio/finding.ts'
import type { Specs } from '../model/model.ts'
import type { Software } from './unit.ts'
/** A program may ask for memory to work in, and for memory of the graphics card. */
export const memoryKindSchema = z.enum(['working', 'graphics'])
export type MemoryKind = z.infer<typeof memoryKindSchema>

/** What keeps a program from its work: a device it cannot reach, a disc nothing reads, too little memory. */
export const softwareFindingSchema = z
  .object({
    level: findingLevelSchema,
    program: z.string(),
  })
  .and(
    z.discriminatedUnion('code', [
      z.object({
        code: z.literal('no-wireless'),
        tag: z.string(),
      }),
      z.object({
        code: z.literal('no-disc-drive'),
        tag: z.string(),
      }),
      z.object({
        code: z.literal('little-memory'),
        of: memoryKindSchema,
        tag: z.string(),
        haveGigabytes: z.number(),
        wantedGigabytes: z.number(),
      }),
      z.object({
        code: z.literal('memory-unknown'),
        of: memoryKindSchema,
        tag: z.string(),
        wantedGigabytes: z.number(),
      }),
    ]),
  )
export type SoftwareFinding = z.infer<typeof softwareFindingSchema>

/** A device or computer by what counts here. */
export interface Machine {
  tag: string
  more: Specs['more']
}

/**
 * Holds a program of a device against the device and, where it is said, against the computer it is installed on. What
 * nobody recorded of wireless or a disc drive is not held against it; memory that is asked for and unknown is a question.
 */
export function judgeSoftware(program: Software, device: Machine, computer: Machine | null): SoftwareFinding[] {
  const findings: SoftwareFinding[] = []
  const { name } = program
  if (program.needsWireless && device.more.wireless === 'no') {
    findings.push({ level: 'warn', program: name, code: 'no-wireless', tag: device.tag })
  }
  if (!computer) return findings
  const { tag, more } = computer
  if (program.media === 'disc' && more.discDrive === 'no') {
    findings.push({ level: 'warn', program: name, code: 'no-disc-drive', tag })
  }
  return [
    ...findings,
    ...judgeMemory(name, tag, 'working', program.minimumMemoryGigabytes, more.memoryGigabytes),
    ...judgeMemory(name, tag, 'graphics', program.minimumGraphicsGigabytes, more.graphicsGigabytes),
  ]
}

function judgeMemory(
  program: string,
  tag: string,
  of: MemoryKind,
  wantedGigabytes: number | null,
  have: number | string | undefined,
): SoftwareFinding[] {
  if (wantedGigabytes === null) return []
  if (typeof have !== 'number') return [{ level: 'unknown', program, code: 'memory-unknown', of, tag, wantedGigabytes }]
  if (have >= wantedGigabytes) return []
  return [{ level: 'warn', program, code: 'little-memory', of, tag, wantedGigabytes, haveGigabytes: have }]
}
