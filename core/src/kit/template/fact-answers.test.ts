import { describe, expect, test } from 'vitest'
import { STANDARD_INTERFACES } from '../model/interface.ts'
import { isAnswer } from './fact-words.ts'

const OWN = { code: 'mount-larch', label: 'Larch mount', kind: 'mount' as const }
const ALL = [
  ...STANDARD_INTERFACES.map((it) => ({ ...it, version: 1 })),
  { ...STANDARD_INTERFACES[0], ...OWN, version: 1 },
]
const offered = (fact: Parameters<typeof isAnswer>[0], category: Parameters<typeof isAnswer>[1]) =>
  ALL.filter((it) => isAnswer(fact, category, it as never)).map((it) => it.code as string)

describe('[E3] what may answer a question', () => {
  test('the mount of a camera or lens is no filter thread and no lamp holder, and the studio’s own is offered', () => {
    for (const category of ['camera', 'lens', 'lens-adapter'] as const) {
      expect(offered('mount', category)).toContain('mount-larch')
      expect(offered('mount', category).filter((it) => /^(filter|screw)-/.test(it))).toEqual([])
    }
  })

  test('a filter goes on a thread alone; a lamp takes lamp mounts, and no thread', () => {
    expect(offered('mount', 'filter').every((it) => it.startsWith('filter-'))).toBe(true)
    expect(offered('mount', 'filter').length).toBeGreaterThan(3)
    expect(offered('mount', 'light').some((it) => it.startsWith('filter-'))).toBe(false)
  })

  test('[E4] a pack is no cell, and a cell no pack', () => {
    expect(offered('battery', 'pack').filter((it) => it.startsWith('cell-'))).toEqual([])
    expect(offered('battery', 'cell').every((it) => it.startsWith('cell-'))).toBe(true)
  })

  test('an inlet is no wall socket, and a plug is one', () => {
    const [inlets, plugs] = [offered('inlet', 'light'), offered('plug', 'lead')]
    expect(inlets.length * plugs.length).toBeGreaterThan(0)
    expect(inlets.filter((it) => plugs.includes(it))).toEqual([])
  })
})
