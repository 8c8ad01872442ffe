import { formatData } from '../../units/quantity.ts'
import { countDays } from '../../units/wall-time.ts'
import type { ArchiveSpace } from './archive-space.ts'
import type { SoftwareFinding } from './software-fit.ts'
/** What keeps a program from its work, and where the way out lies. */
export function saySoftwareFinding(finding: SoftwareFinding): string {
  switch (finding.code) {
    case 'no-wireless':
      return `${finding.program} talks by wireless and ${finding.tag} has none. Look for its version for cable.`
    case 'outdated': {
      const { tag, program, version, newest, media } = finding
      const old = `${program} of ${tag} is ${version}, and ${newest} is the newest`
      return media === 'disc' ? `${old}: the disc is out of date, fetch it from its maker.` : `${old}.`
    }
    case 'version-unchecked':
      return `${finding.program} of ${finding.tag} came on a disc (${finding.version}): is there a newer one? Write down what is the newest.`
    case 'no-disc-drive':
      return `${finding.program} comes on a disc and ${finding.tag} has no drive for it. Look for it as a download.`
    case 'little-memory':
      return `${finding.program} asks for ${finding.wantedGigabytes} GB of ${finding.of} memory; ${finding.tag} has ${finding.haveGigabytes} GB.`
    case 'memory-unknown':
      return `Cannot tell: ${finding.program} asks for ${finding.wantedGigabytes} GB, and the ${finding.of} memory of ${finding.tag} is not recorded.`
    default:
      return finding satisfies never
  }
}

/** How it was reckoned when a drive is full: the readings and the sums with their figures; null where there is nothing to reckon. */
export function saySpaceWorking(
  { first, last, perDayMegabytes, freeMegabytes, fullOn }: ArchiveSpace,
  sayDay: (date: string) => string,
) {
  if (perDayMegabytes === null) return null
  const grown = formatData(Math.max(0, last.usedMegabytes - first.usedMegabytes))
  const perDay = formatData(Math.round(Math.max(0, perDayMegabytes)))
  return {
    title: 'When it is full',
    summary: '',
    lines: [
      { label: 'first reading', sum: `${formatData(first.usedMegabytes)} on ${sayDay(first.on)}` },
      { label: 'last reading', sum: `${formatData(last.usedMegabytes)} on ${sayDay(last.on)}` },
      { label: 'a day', sum: `${grown} / ${countDays(first.on, last.on)} days = ${perDay}` },
      ...(fullOn === null
        ? []
        : [
            {
              label: 'full',
              sum: `${formatData(freeMegabytes)} free / ${perDay} a day, from ${sayDay(last.on)}: ${sayDay(fullOn)}`,
            },
          ]),
    ],
    assumptions: ['It goes on filling as it did between the first and the last reading. Days are rounded up.'],
    source: 'definition; common practice',
  }
}
