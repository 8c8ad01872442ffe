import { type LookLine, type LookPart, suggestLightJob } from '@exemplar/core'
import type { RoleSketch, Thing, useQuickEntry } from './quick-entry.fixture.ts'

type Quick = Pick<ReturnType<typeof useQuickEntry>, 'call' | 'tell' | 'addFamily' | 'build' | 'judge'>

/** A place and a card, as they are sent. */
export const at = (position: object, settings: Record<string, string> = {}, light: object | null = null) => ({
  position: { distanceMm: null, sideDegrees: null, heightMm: null, focalMm: null, ...position },
  settings: Object.entries(settings).map(([name, value]) => ({ name, value })),
  ...(light ? { light } : {}),
})

/** How a camera is set in most of the cases. */
export const SET = { Aperture: 'f/2.8', Shutter: '1/50', ISO: '800', 'Frame rate': '25' }

/** A role of light, as it is sent. */
export const lightRole = (
  name: string,
  things: readonly Thing[],
  position: object,
  card: Record<string, string> = {},
  light: object | null = null,
): RoleSketch => ({ name, things, rest: { group: 'light', ...at(position, card, light) } })

/** What somebody sees on the page of picture and light, who entered everything the quick way. */
export function useLooks({ call, tell, addFamily, build, judge }: Quick) {
  let families: Promise<string> | null = null
  const mountOf = () => {
    families ??= addFamily('Larch', 'mount')
    return families
  }

  /** A camera with its lens; without a sensor or a focal length where none is given. */
  async function camera(sensor: object, glass: object, facts: object = {}): Promise<[Thing, Thing]> {
    const mount = await mountOf()
    return [
      await tell('camera', `Body ${JSON.stringify(sensor)}`, { mount, cardForm: 'sd', ...facts }, sensor),
      await tell('lens', `Glass ${JSON.stringify(glass)}`, { mount }, glass),
    ]
  }

  const lamp = (specs: object = {}, kind = 'cob') => tell(kind, `Lamp ${JSON.stringify(specs)}`, {}, specs)
  /** One that gives 1,000 lx at one metre and can be dimmed. */
  const bright = (specs: object = {}) => lamp({ luxAtOneMetre: 1_000, dims: 'yes', ...specs })

  /** As the form suggests it, and somebody saved it; only where a test says nothing of it. */
  const withJob = (it: RoleSketch): RoleSketch => {
    const job = suggestLightJob(it.name)
    const said = (it.rest ?? {}) as { light?: object }
    return job && !('job' in (said.light ?? {})) ? { ...it, rest: { ...said, light: { ...said.light, job } } } : it
  }

  async function see(roles: readonly RoleSketch[], rest: object = {}) {
    const id = await build(roles.map(withJob), rest)
    return { id, ...(await readAgain(id)) }
  }

  async function readAgain(id: string) {
    const look = await call('GET', `/setups/${id}/picture-and-light`)
    const parts: LookPart[] = [...look.cameras, ...look.lamps]
    const lines = (role: string): LookLine[] =>
      role === 'scene' ? look.scene : parts.filter((it) => it.role === role).flatMap((it) => it.lines)
    /** What one line says; null where there is none. */
    const says = (role: string, code: string) => lines(role).find((it) => it.code === code)?.says ?? null
    const isKnown = (role: string, code: string) => lines(role).find((it) => it.code === code)?.isKnown ?? null
    const { of, found } = await judge(id)
    return { says, isKnown, lines, of, found }
  }

  /** Forgets what was made, as each test starts from nothing. */
  const restart = () => {
    families = null
  }

  return { camera, lamp, bright, see, readAgain, restart }
}

export const FULL = { sensorWidthMm: 36, sensorHeightMm: 24 }
export const prime = (mm: number, rest: object = {}) => ({ lensKind: 'prime', focalMinMm: mm, focalMaxMm: mm, ...rest })
