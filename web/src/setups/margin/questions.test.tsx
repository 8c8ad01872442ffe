// @vitest-environment jsdom
import type { Finding } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { isQuestion, Questions } from './questions.tsx'

const ask = (at: number, fact: string, level: 'unknown' | 'unknown-stop') =>
  ({
    code: 'fact-unknown',
    key: `fact-unknown/m${at}/${fact}`,
    level,
    roleId: 'r1',
    tag: `T${at}`,
    name: `Thing ${at}`,
    modelId: `m${at}`,
    fact,
  }) as Finding
const list = (findings: Finding[]) =>
  show(<Questions findings={findings} show={(it) => <li key={it.key}>{it.key.split('/').slice(1).join(' ')}</li>} />)

it('asks what could stop first, then what decides most', () => {
  const { page } = list([ask(1, 'mass', 'unknown-stop'), ask(2, 'mount', 'unknown'), ask(3, 'power', 'unknown-stop')])
  expect(page.getAllByRole('listitem').map((it) => it.textContent)).toEqual(['m3 power', 'm1 mass', 'm2 mount'])
  expect(page.getByText('3 questions to answer')).toBeTruthy()
})

it('asks ten at once, and says how many come after them', () => {
  const { page } = list(Array.from({ length: 12 }, (_, at) => ask(at, 'mass', 'unknown-stop')))
  expect(page.getAllByRole('listitem')).toHaveLength(10)
  expect(page.getByText('2 more come when these are answered.')).toBeTruthy()
})

it('folds them where the window is narrow', () => {
  vi.stubGlobal('matchMedia', () => ({ matches: false }))
  const { page } = list([ask(1, 'mass', 'unknown-stop')])
  expect(page.getByText('1 question to answer').closest('details')?.open).toBe(false)
  vi.unstubAllGlobals()
})

it('is a question only where one answer settles what nobody can tell', () => {
  const asked = ask(1, 'mass', 'unknown-stop')
  expect([isQuestion(asked), isQuestion({ ...asked, level: 'stop' })]).toEqual([true, false])
  expect(
    isQuestion({
      code: 'role-empty',
      key: 'k',
      level: 'unknown',
      roleId: 'r1',
      role: 'Key',
      beside: [],
      isFill: false,
    }),
  ).toBe(false)
})
