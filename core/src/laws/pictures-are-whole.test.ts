import { describe, expect, test } from 'vitest'
import { makeScene, type Scene } from '../setups/checks/scene.ts'
import { listJointChoices } from '../setups/joining/joint-choices.ts'
import { PICTURE_KINDS } from '../setups/joining/picture-kind.ts'
import { isSameJoint, type JointEnds, restateJoint } from '../setups/joining/restate-joint.ts'
import { drawPicture } from '../setups/pictures/draw-picture.ts'
import { layoutPicture } from '../setups/pictures/layout.ts'
import type { Picture } from '../setups/pictures/picture.ts'
import { readPlaceLevels } from '../setups/pictures/place-levels.ts'
import type { AssessmentInput } from '../setups/placed/assessment-input.ts'
import { assessScene } from '../setups/verdict/readiness.ts'
import { listCases, readCase } from './law-cases.fixture.ts'

const inputs = listCases()
  .slice(0, 300)
  .map((it) => readCase(it, (item) => item.id.length % 2 === 0))

const nameOf = ({ host, guest }: JointEnds) => `${host.key}/${host.portId} ${guest.key}/${guest.portId}`

function drawAll(scene: Scene): Picture[] {
  const levels = readPlaceLevels(assessScene(scene).findings)
  return PICTURE_KINDS.map((kind) => drawPicture(kind, scene, levels))
}

const listDrawn = (pictures: readonly Picture[]) => pictures.flatMap((it) => it.groups.flatMap(({ joints }) => joints))

const countEnd = (scene: Scene) => (end: { key: string; portId: string }) =>
  scene.itemOf.get(end.key)?.ports.find((it) => it.id === end.portId)?.count ?? 1

const withLinks = (input: AssessmentInput, links: AssessmentInput['setup']['links']): Scene =>
  makeScene({ ...input, setup: { ...input.setup, links } })

describe('pictures of 300 random setups', () => {
  test('every joint is drawn once and only once, between things that are drawn', () => {
    let count = 0
    for (const input of inputs) {
      const scene = makeScene(input)
      const pictures = drawAll(scene)
      expect(listDrawn(pictures).map(nameOf).sort()).toEqual(scene.joints.map(nameOf).sort())
      count += scene.joints.length
      for (const { groups } of pictures) {
        const keys = groups.flatMap(({ nodes }) => nodes.flatMap((it) => it.keys))
        expect(new Set(keys).size).toBe(keys.length)
        for (const { nodes, joints } of groups) {
          const drawn = (node: string, key: string) => nodes.some((it) => it.key === node && it.keys.includes(key))
          for (const { from, to, host, guest } of joints) {
            const isRight = drawn(from, host.key) && drawn(to, guest.key)
            expect(isRight || (drawn(from, guest.key) && drawn(to, host.key))).toBe(true)
          }
        }
      }
    }
    expect(count).toBeGreaterThan(700)
  })

  test('everything is laid out, nothing on anything else, and the same each time', () => {
    const options = { sizeOf: () => ({ width: 190, height: 44 }), rootWidth: 80, mostWidth: 800 }
    for (const input of inputs) {
      for (const picture of drawAll(makeScene(input))) {
        const layout = layoutPicture(picture, options)
        const boxes = picture.groups.flatMap(({ nodes }) => nodes.map((it) => layout.boxOf.get(it.key)))
        for (const [at, a] of boxes.entries()) {
          if (!a) throw new Error('A node has no place.')
          expect(a.x >= 80 && a.y >= 0 && a.x + a.width <= layout.width && a.y + a.height <= layout.height).toBe(true)
          for (const b of boxes.slice(at + 1)) {
            const isApart =
              !b || a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y
            expect(isApart).toBe(true)
          }
        }
        expect(layout.groups.flatMap((it) => it.lines.flatMap((line) => line.joints))).toHaveLength(
          listDrawn([picture]).length,
        )
        expect(layoutPicture(picture, options)).toEqual(layout)
      }
    }
  })

  test('whatever has an end of a picture is chosen from, joined, or told why not: once each', () => {
    for (const input of inputs.slice(0, 100)) {
      const scene = makeScene(input)
      for (const item of scene.items) {
        const choices = listJointChoices(scene, item.key)
        if (!choices) throw new Error('It is in the setup.')
        const open = new Set(
          choices.ends.flatMap((it) => [...it.could, ...it.joined].map(({ key }) => `${it.picture} ${key}`)),
        )
        for (const { picture, key, why } of choices.cannot) {
          expect(open.has(`${picture} ${key}`)).toBe(false)
          expect(why).toMatch(/^[^<>]+\.$/)
        }
        expect(new Set(choices.cannot.map((it) => `${it.picture} ${it.key}`)).size).toBe(choices.cannot.length)
        const joined = choices.ends.flatMap((it) => it.joined)
        expect(joined).toHaveLength(
          scene.joints.filter(({ host, guest }) => [host.key, guest.key].includes(item.key)).length,
        )
      }
    }
  })

  test('accepting every joint changes none of them; letting all go is as before', () => {
    for (const input of inputs) {
      const scene = makeScene(input)
      const stated = scene.joints.reduce(
        (links, it) => restateJoint(links, scene.joints, { was: it, next: it }, countEnd(scene)),
        input.setup.links,
      )
      const after = withLinks(input, stated)
      expect(after.joints.map(nameOf).sort()).toEqual(scene.joints.map(nameOf).sort())
      expect(after.joints.every((it) => it.isStated)).toBe(true)
      const open = after.joints.reduce(
        (links, it) => restateJoint(links, after.joints, { was: it, next: null }, countEnd(after)),
        after.setup.links,
      )
      expect(open).toEqual([])
    }
  })

  test('what is put elsewhere is there, as stated, and nothing else that was stated moves', () => {
    let tried = 0
    for (const [at, input] of inputs.entries()) {
      const assumed = makeScene(input)
      const links = assumed.joints.reduce(
        (all, it) => restateJoint(all, assumed.joints, { was: it, next: it }, countEnd(assumed)),
        input.setup.links,
      )
      const scene = withLinks(input, links)
      const all = scene.items.flatMap((item) => listJointChoices(scene, item.key)?.ends ?? [])
      const movable = all.filter((it) => it.side === 'guest' && it.could.some((end) => end.heldBy === null))
      const end = movable[at % Math.max(1, movable.length)]
      const target = end?.could.find((it) => it.heldBy === null)
      if (!end || !target) continue
      tried++
      const guest = { key: end.end.key, portId: end.end.portId }
      const [joined] = end.joined
      const was = joined ? { host: { key: joined.key, portId: joined.portId }, guest } : null
      const next = { host: { key: target.key, portId: target.portId }, guest }
      const after = withLinks(input, restateJoint(links, scene.joints, { was, next }, countEnd(scene)))
      const stated = after.joints.filter((it) => it.isStated).map(nameOf)
      const kept = scene.joints.filter((it) => !was || !isSameJoint(it, was)).map(nameOf)
      expect(stated.sort()).toEqual([...kept, nameOf(next)].sort())
    }
    expect(tried).toBeGreaterThan(150)
  })
})
