// npm run planted: faults planted one at a time into a copy of the sources, each of which has to turn its test red. A fault
// that nobody notices means a test that cannot fail. Exits 1 with each that stays green, or that finds no line to change.
import { spawn } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT } from './setup.mjs'

/** What is changed, and the test that has to notice. */
const FAULTS = [
  {
    law: 'V17',
    file: 'core/src/setups/checks/picture/camera-angles.ts',
    from: 'Math.min(findFrameWidth(activeWidthMm, focalMm, length - BEHIND_CAMERA_MM) ?? 0, across)',
    to: 'Math.max(findFrameWidth(activeWidthMm, focalMm, length - BEHIND_CAMERA_MM) ?? 0, across - across)',
    test: 'core/src/setups/checks/picture/rig-findings.test.ts',
  },
  {
    law: 'V5',
    file: 'core/src/setups/checks/media/card-minutes.ts',
    from: "interfaces.get(code)?.kind === 'card'",
    to: "code === 'sd'",
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V2',
    file: 'core/src/kit/model/needed-facts.ts',
    from: "if (category === 'pack' && specs.energyMilliwattHours === null) lacking.push('energy')",
    to: '',
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V2',
    file: 'core/src/setups/verdict/finding.ts',
    from: "? 'unknown-stop' : 'unknown'",
    to: "? 'unknown' : 'unknown'",
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V5',
    file: 'core/src/setups/checks/signal/keeping.ts',
    from: "return none.includes('medium') && !none.includes('memory') ? 'unknown' : 'no'",
    to: "return 'yes'",
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V2',
    file: 'core/src/setups/checks/power/pack-hours.ts',
    from: "unknown > 0 && short !== 'ok' ? 'unknown' : short",
    to: 'short',
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V3',
    file: 'core/src/setups/checks/roles/empty-roles.ts',
    from: 'return wants === null || isItemOf(item, wants)',
    to: 'return item !== null || isItemOf(item, wants)',
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V4',
    file: 'core/src/setups/checks/scene.ts',
    from: 'if (unit) return absences.has(unit.id)',
    to: 'if (unit) return false',
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V4',
    file: 'core/src/setups/checks/scene.ts',
    from: 'return count > (freeStock.get(stock.id) ?? 0)',
    to: 'return count > 99',
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V1',
    file: 'core/src/setups/joining/usual-carriers.ts',
    from: "{ rides: ['monitor'], on: ['camera'], fromGrams: SHOE_GRAMS, cost: null, reason: 'No shoe takes such a screen.' },",
    to: '',
    test: 'server/src/setups/named-rigs.test.ts',
  },
  {
    law: 'law 8',
    file: 'core/src/setups/joining/least-cost.ts',
    from: 'if (next >= (distance[to] ?? 0)) return',
    to: 'if (next >= (distance[to] ?? 0) - 1e6) return',
    test: 'core/src/setups/joining/exhaustive.test.ts',
  },
  {
    law: 'V6',
    file: 'core/src/setups/checks/rigging/tipping.ts',
    from: "safety < TIPS_BELOW ? 'stop'",
    to: "safety < 0 ? 'stop'",
    test: 'server/src/setups/named-rigs.test.ts',
  },
  {
    law: 'V6',
    file: 'core/src/setups/checks/rigging/support-tree.ts',
    from: 'if (riders.length === 0 ||',
    to: 'if (riders.length >= 0 ||',
    test: 'server/src/setups/named-rigs.test.ts',
  },
  {
    law: 'V8',
    file: 'core/src/setups/checks/signal/switched-show.ts',
    from: 'if (reached.some((it) => switchers.includes(it))) return []',
    to: 'return []',
    test: 'server/src/setups/named-rigs.test.ts',
  },
  {
    law: 'V13',
    file: 'core/src/setups/checks/rigging/carried-load.ts',
    from: "riders.length < 2 && load.level !== 'stop' ? [] : [load]",
    to: 'riders.length < 2 ? [] : [load]',
    test: 'server/src/setups/named-rigs.test.ts',
  },
  {
    law: 'law 8',
    file: 'core/src/setups/joining/run-rule.ts',
    from: 'isStated: (host, guest) => leadsTo(host, guest) && leadsTo(guest, host),',
    to: 'isStated: () => false,',
    test: 'core/src/laws/what-is-said-stands.test.ts',
  },
  {
    law: 'law 3',
    file: 'core/src/setups/checks/scene.ts',
    from: 'const links = listWholeRuns(input.setup.links, placed)',
    to: 'const links = listWholeRuns(input.setup.links, items)',
    test: 'server/src/setups/stated-joints.test.ts',
  },
  {
    law: 'V20',
    file: 'core/src/setups/verdict/readiness.ts',
    from: "level: taken?.hazards ? 'stop' :",
    to: 'level:',
    test: 'server/src/setups/accepted-stops.test.ts',
  },
  {
    law: 'V20',
    file: 'server/src/setups/acceptances.ts',
    from: "const by = row?.name ?? ''",
    to: "const by = body.accepted[0]?.by ?? row?.name ?? ''",
    test: 'server/src/setups/accepted-stops.test.ts',
  },
  {
    law: 'V10',
    file: 'core/src/setups/joining/needed-accessories.ts',
    from: 'const idle = accessories.filter((it) => !needed.has(it.key))',
    to: 'const idle = accessories.filter((it) => needed.has(it.key) && it.key === "")',
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V11',
    file: 'core/src/setups/checks/power/pack-hours.ts',
    from: 'if (have < needed) return LEVEL_OF_IMPORTANCE[importance]',
    to: "if (have < needed) return 'stop'",
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V21',
    file: 'core/src/setups/proposals/resilience.ts',
    from: '...(isMain ? { wants: category } : {})',
    to: '...(isMain ? {} : {})',
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V7',
    file: 'core/src/setups/checks/power/lead-load.ts',
    from: 'return milliwatts > Math.round(amps * 1000) * volts',
    to: 'return milliwatts >= Math.round(amps * 1000) * volts',
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V7',
    file: 'core/src/setups/checks/power/pack-current.ts',
    from: "if (volts === null) return ask('volts')",
    to: 'if (volts === null) return []',
    test: 'server/src/setups/trusted-verdicts.test.ts',
  },
  {
    law: 'V22',
    file: 'core/src/setups/timing/change-over.ts',
    from: 'if (!isFirstOf(findRole(thing, after), thing)) return null',
    to: '',
    test: 'server/src/setups/change-over.test.ts',
  },
  {
    law: 'V22',
    file: 'core/src/setups/timing/change-over.ts',
    from: 'if (!isSameRoom) return',
    to: 'if (!isSameRoom && false) return',
    test: 'server/src/setups/change-over.test.ts',
  },
  {
    law: 'V23',
    file: 'core/src/setups/proposals/cable-finder.ts',
    from: '(a.lengthMm ?? 0) - (b.lengthMm ?? 0) ||',
    to: '',
    test: 'core/src/setups/proposals/cable-finder.test.ts',
  },
  {
    law: 'law 2',
    file: 'core/src/setups/checks/sound/microphone-feed.ts',
    from: 'if (!isLikely || item.powerMode ||',
    to: 'if (isLikely || item.powerMode ||',
    test: 'core/src/laws/unknown-never-helps.test.ts',
  },
  {
    law: 'law 4',
    file: 'core/src/setups/joining/needed-accessories.ts',
    from: 'if (leaves.length > 0) return leaves',
    to: 'if (leaves.length > 999) return leaves',
    test: 'core/src/laws/spares-and-importance.test.ts',
  },
  {
    law: 'law 5',
    file: 'core/src/setups/checks/sound/microphone-feed.ts',
    from: "? { ...subject, code: 'feed-missing' }",
    to: "? { ...subject, level: 'stop', code: 'feed-missing' }",
    test: 'core/src/laws/spares-and-importance.test.ts',
  },
  {
    law: 'S6',
    file: 'core/src/studio/people/secrecy.ts',
    from: 'const RECORD = pastRecord(z.unknown())',
    to: 'const RECORD = z.unknown()',
    test: 'server/src/studio/access/access-matrix.test.ts',
  },
  {
    law: 'law 1',
    file: 'core/src/setups/checks/rigging/working-height.ts',
    from: 'const [item] = listItemsOf(role, scene.items)',
    to: 'const item = listItemsOf(role, scene.items).find((it) => it.unit)',
    test: 'core/src/laws/one-is-one.test.ts',
  },
  {
    law: 'law 1',
    file: 'core/src/setups/checks/media/card-minutes.ts',
    from: 'const cards = things.filter((thing) => thing.capacityMegabytes',
    to: 'const cards = things.filter((thing) => thing.unit && thing.capacityMegabytes',
    test: 'core/src/laws/one-is-one.test.ts',
  },
  {
    law: 'law 6',
    file: 'core/src/setups/checks/media/card-minutes.ts',
    from: '.sort((a, b) => a.minutes - b.minutes)[0]',
    to: '.sort((a, b) => a.minutes - b.minutes || a.recorder.tag.localeCompare(b.recorder.tag))[0]',
    test: 'core/src/setups/checks/rigging/sums.test.ts',
  },
  {
    law: 'law 6',
    file: 'core/src/setups/verdict/finding.ts',
    from: "key: [found.code, ...about].join('/')",
    to: "key: [found.code, ...about, 'tag' in found ? found.tag : ''].join('/')",
    test: 'core/src/laws/order-and-names.test.ts',
  },
  {
    law: 'law 13',
    file: 'core/src/setups/timing/floor-space.ts',
    from: 'legRadiusMm',
    to: 'diameterMm',
    test: 'core/src/laws/nothing-for-nothing.test.ts',
  },
  {
    law: 'law 19',
    file: 'core/src/setups/setup/cable-run.ts',
    from: 'via: z.array(keySchema).max(6),',
    to: 'via: z.array(keySchema).max(6).transform((it) => it.slice(1)),',
    test: 'core/src/laws/both-ways.test.ts',
  },
  {
    law: 'V25',
    file: 'core/src/setups/verdict/acceptance.ts',
    from: '...recordOf(finding).deciding(finding)]',
    to: "...recordOf(finding).deciding(finding), 'role' in finding ? finding.role : '']",
    test: 'core/src/setups/checks/content/demands.test.ts',
  },
  {
    law: 'V15',
    file: 'core/src/setups/placed/placed-item.ts',
    from: 'placed.set(stock.id, from + assignment.quantity)',
    to: 'placed.set(stock.id, 0)',
    test: 'core/src/setups/placed/placed-item.test.ts',
  },
]

/** The sources beside the packages that are installed here. */
function copyTree() {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-planted-'))
  for (const name of ['core', 'server', 'vitest.config.ts', 'vitest.setup.ts', 'package.json', 'tsconfig.json']) {
    cpSync(join(ROOT, name), join(folder, name), { recursive: true, filter: (path) => !path.includes('node_modules') })
  }
  mkdirSync(join(folder, 'docs'))
  for (const name of readdirSync(join(ROOT, 'docs'))) {
    if (name !== 'screenshots') cpSync(join(ROOT, 'docs', name), join(folder, 'docs', name), { recursive: true })
  }
  linkPackages(folder)
  return folder
}

/** The packages that are installed here; of the workspaces the copies, as a fault is planted in them. */
function linkPackages(folder) {
  const packages = join(folder, 'node_modules')
  mkdirSync(join(packages, '@exemplar'), { recursive: true })
  for (const name of readdirSync(join(ROOT, 'node_modules'))) {
    if (name !== '@exemplar') symlinkSync(join(ROOT, 'node_modules', name), join(packages, name))
  }
  for (const name of ['core', 'server']) symlinkSync(join(folder, name), join(packages, '@exemplar', name))
}

/** Whether any of the tests fails; with `bail` the first that does is enough. */
function isRed(folder, tests, bail) {
  const args = ['vitest', 'run', ...tests.split(' '), '--reporter=dot', ...(bail ? ['--bail=1'] : [])]
  const child = spawn('npx', args, { cwd: folder, stdio: 'ignore' })
  return new Promise((done) => child.on('exit', (code) => done(code !== 0)))
}

/** Plants one fault and takes it out again; whether nobody noticed. */
async function plant(folder, { law, file, from, to, test }) {
  const path = join(folder, file)
  const text = readFileSync(path, 'utf8')
  const say = (what) => console.log(`${what}: ${law}, ${file}: ${to}`)
  if (!text.includes(from)) {
    say('NO SUCH LINE')
    return true
  }
  writeFileSync(
    path,
    text.replace(from, () => to),
  )
  const isNoticed = await isRed(folder, test, true)
  say(isNoticed ? 'noticed' : 'STAYED GREEN')
  writeFileSync(path, text)
  return !isNoticed
}

/** Plants faults by themselves, one after the other, as long as there are any; how many nobody noticed. */
async function plantFrom(queue, folder) {
  let missed = 0
  for (let fault = queue.shift(); fault; fault = queue.shift()) if (await plant(folder, fault)) missed++
  return missed
}

// Two at a time, each in its own copy.
const folders = [copyTree(), copyTree()]
let missed = 0
try {
  const all = [...new Set(FAULTS.flatMap((it) => it.test.split(' ')))].join(' ')
  if (await isRed(folders[0], all, false)) {
    console.log('The tests are red without any fault planted: nothing can be told by them.')
    missed = FAULTS.length
  } else {
    const queue = [...FAULTS]
    const each = await Promise.all(folders.map((folder) => plantFrom(queue, folder)))
    missed = each.reduce((sum, it) => sum + it, 0)
  }
} finally {
  for (const folder of folders) rmSync(folder, { recursive: true, force: true })
}
console.log(`${FAULTS.length - missed} of ${FAULTS.length} planted faults were noticed.`)
process.exit(missed ? 1 : 0)
