import type { FindingLevel } from '../studio/finding.ts'
import type { Specs } from './model.ts'
import type { Software } from './unit.ts'

/** What keeps a program from its work: a device it cannot reach, a disc nothing reads, too little memory. */
export type SoftwareFinding = { level: FindingLevel; program: string } & (
  | { code: 'no-wireless'; tag: string }
  | { code: 'no-disc-drive'; tag: string }
  | { code: 'little-memory'; tag: string; haveGigabytes: number; wantedGigabytes: number }
  | { code: 'memory-unknown'; tag: string; wantedGigabytes: number }
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
  const { name, minimumMemoryGigabytes: wantedGigabytes } = program
  if (program.needsWireless && device.more.wireless === 'no') {
    findings.push({ level: 'warn', program: name, code: 'no-wireless', tag: device.tag })
  }
  if (!computer) return findings
  const { tag, more } = computer
  if (program.media === 'disc' && more.discDrive === 'no') {
    findings.push({ level: 'warn', program: name, code: 'no-disc-drive', tag })
  }
  if (wantedGigabytes === null) return findings
  const have = more.memoryGigabytes
  if (typeof have !== 'number') {
    findings.push({ level: 'unknown', program: name, code: 'memory-unknown', tag, wantedGigabytes })
  } else if (have < wantedGigabytes) {
    const common = { level: 'warn', program: name, tag, wantedGigabytes } as const
    findings.push({ ...common, code: 'little-memory', haveGigabytes: have })
  }
  return findings
}
