import type { EndChoice, JointChoices, Picture, PictureNode } from '@exemplar/core'

export const end = (tag: string, portId: string, count = 1) => ({ key: tag, tag, name: `${tag} thing`, portId, count })

export const node = (tag: string, rest: Partial<PictureNode> = {}): PictureNode => ({
  key: tag,
  keys: [tag],
  tag,
  name: `${tag} thing`,
  category: 'other',
  roleId: null,
  isPowered: false,
  isSmall: false,
  figures: [],
  level: 'ok',
  ...rest,
})

const joint = (host: string, guest: string, isStated: boolean) => ({
  host: { key: host, tag: host, portId: 'top' },
  guest: { key: guest, tag: guest, portId: 'foot' },
  interfaceCode: 'thread-1-4',
  label: '1/4-20 thread',
  isStated,
  from: host,
  to: guest,
})

/** A camera on a tripod that bears too little, as it is assumed, and a lamp on a stand, as somebody said. */
export const RIG: Picture = {
  kind: 'rig',
  worst: 'TRI-01',
  groups: [
    {
      root: 'floor',
      nodes: [
        node('TRI-01', {
          level: 'stop',
          figures: [{ figure: 'load', totalGrams: 4_900, ratedGrams: 4_000, isAtLeast: false, level: 'stop' }],
        }),
        node('CAM-01', { figures: [{ figure: 'mass', grams: 4_900 }] }),
        node('STD-01'),
        node('LGT-01'),
      ],
      joints: [joint('TRI-01', 'CAM-01', false), joint('STD-01', 'LGT-01', true)],
    },
    { root: 'loose', nodes: [node('STD-02')], joints: [] },
    { root: 'away', nodes: [node('TRI-09')], joints: [] },
  ],
}

export const NO_PICTURE: Picture = { kind: 'signals', worst: null, groups: [] }

export const FOOT: EndChoice = {
  end: end('CAM-01', 'foot'),
  picture: 'rig',
  side: 'guest',
  label: '1/4-20 thread hole, for a screw',
  isNeeded: true,
  joined: [{ ...end('TRI-01', 'top'), standing: 'assumed', reasons: ['A camera goes on its tripod.'] }],
  could: [{ ...end('STD-02', 'top'), heldBy: 'LGT-02', isTooWeak: true }],
}

export const CAMERA: JointChoices = {
  key: 'CAM-01',
  tag: 'CAM-01',
  name: 'CAM-01 thing',
  ends: [FOOT, { ...FOOT, picture: 'power', end: end('CAM-01', 'bay'), side: 'host', joined: [], could: [] }],
  cannot: [
    {
      key: 'STD-01',
      tag: 'STD-01',
      name: 'STD-01 thing',
      picture: 'rig',
      why: 'STD-01 takes none of what CAM-01 has.',
    },
  ],
}
