import { describe, expect, test } from 'vitest'
import { CATEGORY_CODES, isKindOf } from '../kit/model/category.ts'
import { makeInput, makeRole, makeStudio } from '../setups/placed/studio.fixture.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'

describe('law 9: role means filled', () => {
  test('of every kind that a role can want, every kind that can be put into it: filled by that kind alone', () => {
    const wrong: string[] = []
    for (const wants of CATEGORY_CODES) {
      for (const kind of CATEGORY_CODES) {
        const studio = makeStudio({ IT: [kind, {}] })
        const { findings } = assessSetup(makeInput(studio, [makeRole('R', ['IT'], { wants })]))
        const isEmpty = findings.some((it) => it.code === 'role-empty')
        if (isEmpty === isKindOf(kind, wants)) wrong.push(`${kind} in a role that wants ${wants}`)
      }
    }
    expect(wrong).toEqual([])
  })
})
