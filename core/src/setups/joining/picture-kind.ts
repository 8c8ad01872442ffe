import { z } from 'zod'
import type { Interface } from '../../kit/model/interface.ts'

/** The three pictures of a setup: what stands on what, where signals go, what feeds what. */
export const PICTURE_KINDS = ['rig', 'signals', 'power'] as const
export type PictureKind = (typeof PICTURE_KINDS)[number]
export const pictureKindSchema = z.enum(PICTURE_KINDS)

const PICTURE_OF: Readonly<Record<Interface['kind'], PictureKind>> = {
  carry: 'rig',
  mount: 'rig',
  signal: 'signals',
  card: 'signals',
  mains: 'power',
  battery: 'power',
}

/** Connectors of signals by their list, over which only power goes. */
const ONLY_POWER: ReadonlySet<string> = new Set(['dc-55'])

/** In which picture a joint at this connector is drawn; each is in one and no other. */
export function findPicture(code: string, interfaces: ReadonlyMap<string, Pick<Interface, 'kind'>>): PictureKind {
  return ONLY_POWER.has(code) ? 'power' : PICTURE_OF[interfaces.get(code)?.kind ?? 'signal']
}
