import { SETUP_DEFAULTS, suggestIdentity } from '@exemplar/core'
import { describe, expect, test } from 'vitest'
import { sayEvent } from '../kit/unit/event-words.ts'
import { makeRole, toDraft } from '../setups/setup-draft.ts'
import { readProblem } from './api/problem.ts'

describe('a new setup’s tape', () => {
  test('takes the letters of its name, and others when those are taken', () => {
    expect(suggestIdentity('Herbarium macro', [])).toEqual({ code: 'HM', tape: 'fern' })
    expect(suggestIdentity('Herbarium macro', [{ code: 'HM', tape: 'fern' }])).toEqual({ code: 'HE', tape: 'clay' })
    expect(suggestIdentity('Moss', [{ code: 'MO', tape: 'fern' }]).code).toBe('MM')
    expect(suggestIdentity('3', []).code).toBe('XX')
  })

  test('takes the tape that fewest setups have', () => {
    const used = ['fern', 'clay', 'sky', 'plum', 'straw', 'fern'].map((tape, index) => ({
      code: `A${'BCDEFG'[index]}`,
      tape,
    }))
    expect(suggestIdentity('x y', used).tape).toBe('slate')
  })

  test('only what belongs to a setup is sent back', () => {
    const page = {
      ...toDraft({
        code: 'AB',
        name: 'x',
        tape: 'fern',
        purpose: '',
        placeId: null,
        circuitId: null,
        ...SETUP_DEFAULTS,
        plannedMinutes: 5,
        note: '',
        roles: [makeRole('light')],
      }),
      id: 'i',
      next: null,
    }
    expect(Object.keys(toDraft(page))).not.toContain('next')
  })
})

describe('problems', () => {
  test('show the sentence and the message of each field', () => {
    const data = {
      detail: 'It ends before it starts. (endsAt)',
      errors: [
        { pointer: '/endsAt', message: 'It ends before it starts.' },
        { pointer: '/roles/0/name', message: 'Give it a name.' },
      ],
    }
    expect(readProblem({ status: 422, data })).toEqual({
      status: 422,
      detail: data.detail,
      fields: { endsAt: 'It ends before it starts.', name: 'Give it a name.' },
      // Where a form has several of a name, the whole way tells which.
      paths: { endsAt: 'It ends before it starts.', 'roles/0/name': 'Give it a name.' },
    })
  })

  test('a server that does not answer is said so, and nothing is lost', () => {
    expect(readProblem({ status: 'FETCH_ERROR' }).detail).toContain('cannot be reached')
    expect(readProblem(undefined).status).toBe(null)
  })
})

describe('a thing’s history in words', () => {
  const say = (kind: string, data: Record<string, unknown> = {}) => sayEvent({ id: 1, at: 0, kind, data, person: null })
  test.each([
    ['checked-out', { title: 'Bog walk' }, 'Taken out for Bog walk'],
    ['fault-reported', { fault: { note: 'fan stuck' } }, 'Fault: fan stuck'],
    ['fault-mended', { note: '' }, 'Mended'],
    ['state-changed', { after: { state: 'for-sale' } }, 'Now for sale'],
    ['serviced', { on: '2026-11-24' }, 'Serviced on 2026-11-24'],
    ['something new', {}, 'Changed'],
  ])('%s', (kind, data, text) => {
    expect(say(kind, data)).toBe(text)
  })
})
