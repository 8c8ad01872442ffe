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
        /** Older than the newest that somebody knows of. */
        code: z.literal('outdated'),
        tag: z.string(),
        version: z.string(),
        newest: z.string(),
        media: z.enum(['download', 'disc']),
      }),
      z.object({
        /** It came on a disc, and nobody looked whether there is a newer one. */
        code: z.literal('version-unchecked'),
        tag: z.string(),
        version: z.string(),
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
  findings.push(...judgeVersion(program, device))
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

/** A disc carries what was new when it was pressed. */
function judgeVersion({ name, kind, version, newestVersion, media }: Software, { tag }: Machine): SoftwareFinding[] {
  if (version === '') return []
  if (newestVersion === '') {
    if (media !== 'disc' || kind === 'app') return []
    return [{ level: 'unknown', program: name, code: 'version-unchecked', tag, version }]
  }
  if (compareVersions(version, newestVersion) >= 0) return []
  return [{ level: 'warn', program: name, code: 'outdated', tag, version, newest: newestVersion, media }]
}

/** 1.10 is newer than 1.9; what has no numbers is as new as what is written the same, and older than anything else. */
export function compareVersions(a: string, b: string): number {
  const [left, right] = [a, b].map((it) => it.match(/\d+/g)?.map(Number) ?? [])
  if (!left || !right || left.length === 0 || right.length === 0) return a.trim() === b.trim() ? 0 : -1
  for (let at = 0; at < Math.max(left.length, right.length); at++) {
    const difference = (left[at] ?? 0) - (right[at] ?? 0)
    if (difference !== 0) return Math.sign(difference)
  }
  return 0
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
