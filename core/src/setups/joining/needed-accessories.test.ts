import { expect, test } from 'vitest'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { makeThing } from '../placed/things.fixture.ts'
import { listSceneItems } from '../placed/venue.ts'
import { checkCompleteness } from './completeness.ts'
import { listInCase, pickFirstToGo } from './needed-accessories.ts'

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

test('[law 4] of pieces that are alike the newest goes first, and what is there once stays until then', () => {
  const cable = (key: string) =>
    makeThing({ key, category: 'cable', ports: [{ id: 'from', interfaces: 'bnc', side: 'guest' }] })
  const arm = makeThing({
    key: 'ARM',
    category: 'arm',
    ports: [{ id: 'foot', interfaces: 'spigot-16', side: 'guest' }],
  })
  const tags = (items: Parameters<typeof pickFirstToGo>[0]) => pickFirstToGo(items).map((it) => it.tag)
  expect(tags([cable('C1'), arm, cable('C2')])).toEqual(['C2'])
  expect(tags([arm, cable('C1')])).toEqual(['ARM', 'C1'])
  // A box of them goes in a few steps.
  expect(tags(['C1', 'C2', 'C3', 'C4', 'C5'].map(cable))).toEqual(['C4', 'C5'])
})
