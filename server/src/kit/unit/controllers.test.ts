import { describe, expect, test } from 'vitest'
import { makeDraft, type Thing, useQuickEntry } from '../../setups/quick-entry.fixture.ts'

const { api, call, add, build, judge } = useQuickEntry()

/** Two lamps that one box runs. */
async function enter() {
  const lamps = [await add('panel', 'One'), await add('panel', 'Two')] as const
  const box = await add('control-surface', 'Box')
  for (const it of lamps) await call('PUT', `/units/${it.id}/controllers`, { unitIds: [box.id] }, 1)
  return { lamps, box }
}

const pageOf = (it: Pick<Thing, 'id'>) => call('GET', `/units/${it.id}`)

describe('[E18] one controller runs several things', () => {
  test('it stands with each of them, and names them', async () => {
    const { lamps, box } = await enter()
    for (const it of lamps) {
      const { parts } = await pageOf(it)
      expect(parts).toMatchObject([{ id: box.id, bond: 'controller', isElsewhere: true, isMissing: false }])
    }
    expect((await pageOf(box)).controls.map((it: Thing) => it.tag)).toEqual(lamps.map((it) => it.tag))
  })

  test('lost, every one of them is incomplete, in the list and in its setup; no longer named, none is', async () => {
    const { lamps, box } = await enter()
    const ids = await Promise.all(
      lamps.map((it, at) => build([{ name: 'Key', things: [it] }], { code: `Q${'AB'[at]}` })),
    )
    await call('PATCH', `/units/${box.id}`, { state: 'lost' }, 1)
    const incomplete = await call('GET', '/units?only=incomplete')
    expect(incomplete.rows.map((it: Thing) => it.tag)).toEqual(lamps.map((it) => it.tag))
    for (const id of ids) expect((await judge(id)).found).toContain('warn part-missing')
    await call('PUT', `/units/${lamps[0].id}/controllers`, { unitIds: [] }, 2)
    expect((await judge(ids[0] ?? '')).found).not.toContain('warn part-missing')
    expect((await judge(ids[1] ?? '')).found).toContain('warn part-missing')
  })

  test('it is packed with whichever of them goes out, once, and is wanted by two shoots at once', async () => {
    const { lamps, box } = await enter()
    const both = await call('POST', '/bookings', makeShoot(lamps.map((it) => it.id)))
    const { sheet } = await call('GET', `/bookings/${both.id}`)
    const tags = sheet.stops.flatMap((it: { lines: Thing[] }) => it.lines.map((line) => line.tag))
    expect(tags.filter((it: string) => it === box.tag)).toHaveLength(1)
    const other = await add('panel', 'Three')
    await call('PUT', `/units/${other.id}/controllers`, { unitIds: [box.id] }, 1)
    const { troubles } = await call('POST', '/bookings/check', makeShoot([other.id]))
    expect(troubles.map((it: Thing) => it.tag)).toEqual([box.tag])
  })

  test('nothing controls itself, nothing that is not there controls anything, and two records become one', async () => {
    const { lamps, box } = await enter()
    const put = (unitIds: string[]) => api().call('PUT', `/units/${lamps[0].id}/controllers`, { unitIds }, match(2))
    expect((await put([lamps[0].id])).body.errors[0].pointer).toBe('/unitIds/0')
    expect((await put([box.id, 'nothing'])).body.errors[0].pointer).toBe('/unitIds/1')
    const again = await add('control-surface', 'Box again')
    await call('PUT', `/units/${lamps[0].id}/controllers`, { unitIds: [box.id, again.id] }, 2)
    await call('POST', `/units/${again.id}/merge`, { intoId: box.id }, 1)
    expect((await pageOf(lamps[0])).parts.map((it: Thing) => it.id)).toEqual([box.id])
    expect((await pageOf(box)).controls).toHaveLength(2)
  })

  test('[law 19] the kit file carries it', async () => {
    const { lamps, box } = await enter()
    const file = await call('GET', '/export/kit.json')
    const of = file.units.find((it: Thing) => it.id === lamps[1].id)
    expect(of.controlledBy).toEqual([box.id])
  })
})

const match = (version: number) => ({ 'If-Match': `"${version}"` })

const makeShoot = (unitIds: string[]) => makeDraft({ unitIds })
