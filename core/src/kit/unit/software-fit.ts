import type { FindingLevel } from '../../studio/finding.ts'
import type { Specs } from '../model/model.ts'
import type { Software } from './unit.ts'

/** A program may ask for memory to work in, and for memory of the graphics card. */
export type MemoryKind = 'working' | 'graphics'

/** What keeps a program from its work: a device it cannot reach, a disc nothing reads, too little memory. */
export type SoftwareFinding = { level: FindingLevel; program: string } & (
  | { code: 'no-wireless'; tag: string }
  | { code: 'no-disc-drive'; tag: string }
  | { code: 'little-memory'; of: MemoryKind; tag: string; haveGigabytes: number; wantedGigabytes: number }
  | { code: 'memory-unknown'; of: MemoryKind; tag: string; wantedGigabytes: number }
)

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
