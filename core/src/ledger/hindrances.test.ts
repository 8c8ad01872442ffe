import { expect, test } from 'vitest'
import type { Finding } from '../setups/verdict/finding.ts'
import { type HeldSetup, listHindrances } from './hindrances.ts'

const finding = (level: Finding['level'], role: string, part: object = {}): Finding => ({
  code: 'role-empty',
  key: `role-empty/${role}`,
  level,
  roleId: role,
  role,
  beside: [],
  isFill: false,
  ...part,
})
const held = (id: string, shoots: number, findings: Finding[], part: Partial<HeldSetup> = {}): HeldSetup => ({
  id,
  setupId: id,
  shoots,
  findings,
  curedBy: new Map(),
  ...part,
})

test('stops before warnings, more shoots before fewer; the same in two setups once, what is accepted not at all', () => {
  const accepted = { accepted: { key: '', fingerprint: '', reason: 'fine', on: '2026-11-01', by: 'Imke', until: null } }
  const list = listHindrances([
    held('POD', 2, [finding('warn', 'Fill'), finding('stop', 'Key'), finding('stop', 'Hair', accepted)]),
    held('LEC', 3, [finding('stop', 'Key'), finding('advise', 'Clamp')]),
    held('TOP', 9, [finding('warn', 'Arm')]),
  ])
  expect(list.map((it) => [it.finding.roleId, it.shoots, it.setups.map((one) => one.setupId)])).toEqual([
    ['Key', 5, ['LEC', 'POD']],
    ['Arm', 9, ['TOP']],
    ['Fill', 2, ['POD']],
  ])
})

test('a setup that is another at some of its shoots is one setup with the shoots of both', () => {
  const curedBy = new Map([['role-empty/Key', ['w-1']]])
  const list = listHindrances([
    held('POD', 2, [finding('stop', 'Key')], { curedBy }),
    held('POD~2', 1, [finding('stop', 'Key')], { setupId: 'POD' }),
  ])
  expect(list).toMatchObject([{ shoots: 3, setups: [{ setupId: 'POD', shoots: 3 }], wishIds: ['w-1'] }])
})
