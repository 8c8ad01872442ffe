import { expect, test } from 'vitest'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { listSceneItems } from '../placed/venue.ts'
import { checkCompleteness } from './completeness.ts'
import { listInCase } from './needed-accessories.ts'

test('of two accessories that join each other alone, what rides on the other goes first', () => {
  const studio = makeStudio({ ARM: ['arm', {}], FRI: ['friction-arm', {}] })
  const input = makeInput(studio, [makeRole('r', ['ARM', 'FRI'])])
  const items = listSceneItems(input.setup, input.holdings, input).filter((it) => it.category !== 'room')
  const completeness = checkCompleteness(items, input.interfaces)
  expect(completeness.joints.map(({ host, guest }) => [host.tag, guest.tag])).toEqual([['ARM', 'FRI']])
  expect(listInCase(items, completeness).map((it) => it.tag)).toEqual(['FRI'])
  // Without it the arm is there by itself.
  const rest = items.filter((it) => it.tag === 'ARM')
  expect(listInCase(rest, checkCompleteness(rest, input.interfaces)).map((it) => it.tag)).toEqual(['ARM'])
})
