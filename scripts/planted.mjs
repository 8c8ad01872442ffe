// npm run planted: faults planted one at a time into a copy of the sources, each of which has to turn its test red. A fault
// that nobody notices means a test that cannot fail. Exits 1 with each that stays green, or that finds no line to change.
import { spawnSync } from 'node:child_process'
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
    from: 'via: z.array(idSchema).max(6),',
    to: 'via: z.array(idSchema).max(6).transform((it) => it.slice(1)),',
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

function isRed(folder, tests) {
  const args = ['vitest', 'run', ...tests.split(' '), '--reporter=dot']
  return spawnSync('npx', args, { cwd: folder, stdio: 'ignore' }).status !== 0
}

/** Plants each fault by itself; how many nobody noticed. */
function plantEach(folder) {
  let missed = 0
  for (const { law, file, from, to, test } of FAULTS) {
    const path = join(folder, file)
    const text = readFileSync(path, 'utf8')
    const say = (what) => console.log(`${what}: ${law}, ${file}: ${to}`)
    if (!text.includes(from)) {
      say('NO SUCH LINE')
      missed++
      continue
    }
    writeFileSync(
      path,
      text.replace(from, () => to),
    )
    if (isRed(folder, test)) say('noticed')
    else {
      say('STAYED GREEN')
      missed++
    }
    writeFileSync(path, text)
  }
  return missed
}

const folder = copyTree()
let missed = 0
try {
  const all = [...new Set(FAULTS.flatMap((it) => it.test.split(' ')))].join(' ')
  if (isRed(folder, all)) {
    console.log('The tests are red without any fault planted: nothing can be told by them.')
    missed = FAULTS.length
  } else {
    missed = plantEach(folder)
  }
} finally {
  rmSync(folder, { recursive: true, force: true })
}
console.log(`${FAULTS.length - missed} of ${FAULTS.length} planted faults were noticed.`)
process.exit(missed ? 1 : 0)
