import { listInWords } from '../../../units/wording.ts'
import { DEMAND_LIMITS } from '../../setup/demand.ts'
import type { DemandFinding } from './demand-finding.ts'

/** What each demand asks, and what is said of what does not meet it. */
export const DEMAND_WORDS: Record<
  DemandFinding['demand'],
  {
    unmet: string
    asks: string
    unknown: string
    why: string
    /** Where it is said, where that is not among the specs. */
    where?: string
  }
> = {
  'self-view': {
    unmet: 'Nobody in the picture can see it',
    asks: 'does whoever is filmed see themselves?',
    unknown: 'Whether the screen turns to the front',
    why: 'has no screen to the front. A monitor, a television or a laptop beside the lens does it too, where the picture of a camera goes into it.',
  },
  'steady-focus': {
    unmet: 'The focus may wander',
    asks: 'does the focus hold by itself?',
    unknown: 'How dependably the focus works',
    why: 'does not hold the focus on somebody who moves. Take another, or have somebody pull it.',
  },
  'remote-start': {
    unmet: 'It cannot be started from the chair',
    asks: 'can it be started from afar?',
    unknown: 'Whether it starts from afar',
    why: 'starts only at the camera.',
  },
  'within-reach': {
    unmet: 'Its controls are out of reach',
    asks: 'can it be framed and set from where they are?',
    unknown: 'How far it stands, or by what it is worked from afar,',
    why: 'is further than an arm from whoever is filmed, and nothing that controls it is here. Put in its remote, or the phone, tablet or computer with its app.',
    where: 'Say the distance in its role, or what controls it on its page.',
  },
  'menus-in-sight': {
    unmet: 'Its menus are out of sight',
    asks: 'are its menus seen on another screen?',
    unknown: 'Whether its picture out shows its menus, or what works it from afar,',
    why: 'has its own screen out of sight, and its menus show on no other here. Work it from its remote or the app on a phone, tablet or computer, take a body whose picture out shows the menus, or set everything before it goes up.',
    where: 'Say it under “Specs”, or say on its page what controls it.',
  },
  'close-up': {
    unmet: 'Nothing here focuses close enough',
    asks: 'does it focus close enough?',
    unknown: 'How close it focuses',
    why: `does not focus at ${DEMAND_LIMITS.closestMm} mm or nearer. A close-up lens or ring helps.`,
  },
  'true-colour': {
    unmet: 'These lamps may turn colours',
    asks: 'do these lamps show true colours?',
    unknown: 'The colour rendering',
    why: `renders colours below Ra ${DEMAND_LIMITS.colourRendering}. True colours want lamps above it, all alike.`,
  },
  'long-take': {
    unmet: 'It stops before the take is over',
    asks: 'does it record so long in one go?',
    unknown: 'After how long it stops recording',
    why: 'stops by itself before the planned time is over. Plan a break, or record outside the camera.',
  },
  'continuous-light': {
    unmet: 'A flash lights stills, not moving pictures',
    asks: 'does it shine all the time?',
    unknown: 'Whether it shines all the time',
    why: 'lights only for an instant. Moving pictures want a lamp that shines all the time.',
  },
  'clean-picture': {
    unmet: 'The picture goes out with its menus on it',
    asks: 'is the picture out clean?',
    unknown: 'Whether the picture out is clean',
    why: 'shows menus on the picture that goes out. Take another body, or one whose menus can be switched off there.',
  },
  spectacles: {
    unmet: 'A ring shows in spectacles',
    asks: 'does it show in spectacles?',
    unknown: 'Its shape',
    why: 'is seen as a ring in spectacles. A soft lamp off the axis, higher up, is not.',
  },
}

/** Which things fall short of a demand, and what would not. */
export function sayDemand({ demand, tags }: Pick<DemandFinding, 'demand' | 'tags'>): string {
  if (tags.length === 0) return 'Nothing in this setup could do it. Put in what does, or drop the demand.'
  const [first, ...rest] = DEMAND_WORDS[demand].why.split(' ')
  const verbs: Record<string, string> = {
    has: 'have',
    does: 'do',
    starts: 'start',
    shows: 'show',
    lights: 'light',
    renders: 'render',
    stops: 'stop',
    is: 'are',
  }
  return `${listInWords(tags)} ${tags.length > 1 ? (verbs[first ?? ''] ?? first) : first} ${rest.join(' ')}`
}

/** What nobody wrote down of which things, and where to say it. */
export function sayNotRecorded(demand: DemandFinding['demand'], tags: readonly string[]): string {
  const { unknown, where } = DEMAND_WORDS[demand]
  return `${unknown} of ${listInWords(tags)} is not recorded. ${where ?? 'Write it down under “Specs”.'}`
}
