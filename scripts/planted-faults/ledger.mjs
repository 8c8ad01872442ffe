const WISHES = 'server/src/ledger/needs-of-wishes.test.ts'
const PLANS = 'server/src/ledger/needs-of-plans.test.ts'
const PLAN = 'core/src/ledger/plan/solve-plan.test.ts'
const at = (file, from, to, test, titled) => ({ law: 'ledger', file, from, to, test, titled })

/** Faults of wishes, plans and calculators, each with the test that has to notice. */
export const LEDGER_FAULTS = [
  at(
    'core/src/ledger/plan/plan-program.ts',
    'least: 1, most: null })\n  }\n  for (const [at, { gains }]',
    'least: 0, most: null })\n  }\n  for (const [at, { gains }]',
    PLAN,
    'what is promised',
  ),
  at(
    'core/src/ledger/plan/plan-program.ts',
    'budgets.slice(0, quarter + 1)',
    'budgets.slice(0, quarter + 2)',
    PLAN,
    'what is left of one quarter',
  ),
  at(
    'core/src/ledger/plan/plan-program.ts',
    'if (ways) program.rows.push',
    'if (!ways) program.rows.push',
    PLAN,
    'what makes a setup better',
  ),
  at(
    'core/src/ledger/plan/plan-program.ts',
    'other === undefined || rival === id',
    'other !== undefined || rival === id',
    PLANS,
    'of two that stand for each other',
  ),
  at(
    'core/src/ledger/wish/wish-price.ts',
    'wish.discount.until >= today',
    'wish.discount.until > today',
    WISHES,
    'money off',
  ),
  at('core/src/ledger/wish/wish-price.ts', 'wish.waitsUntil >= today', 'wish.waitsUntil > today', WISHES, 'it waits'),
  at(
    'core/src/ledger/wish/place-pieces.ts',
    'return use.beside || listInUse(role).length === 0',
    'return true',
    PLANS,
    'meanwhile keeps that',
  ),
  at(
    'core/src/ledger/wish/candidate.ts',
    'freeStock.set(id, it.quantity)',
    'freeStock.set(id, 0)',
    WISHES,
    'counted things are tried',
  ),
  at(
    'core/src/ledger/wish/cures.ts',
    'if (stops === 0) found.sets.push',
    'if (stops >= 0) found.sets.push',
    PLANS,
    'with little it buys',
  ),
  at(
    'core/src/ledger/wish/shoots.ts',
    'JSON.stringify([it.setupId, [...it.found].sort()])',
    'JSON.stringify([it.setupId])',
    PLANS,
    'what goes back before',
  ),
  at(
    'core/src/ledger/wish/rank-wishes.ts',
    "wish.defect !== 'missing' && (isCured ||",
    "wish.defect !== 'missing' && (true ||",
    WISHES,
    'defect removed',
  ),
  at(
    'core/src/ledger/plan/upgrade.ts',
    'return trial && trial.stops <= it.stops ? [it.id] : []',
    'return trial && trial.stops >= it.stops ? [it.id] : []',
    PLANS,
    'what goes back before',
  ),
  at(
    'core/src/ledger/hindrances.ts',
    'if ((finding.accepted && !isHazard(finding)) ||',
    'if (',
    'core/src/ledger/hindrances.test.ts',
  ),
  at(
    'server/src/ledger/wish-store.ts',
    'it.isOurs && it.neededIn.length === 0',
    'it.isOurs',
    PLANS,
    'of two that stand for each other',
  ),
  at(
    'server/src/ledger/wish-routes.ts',
    'if (left.length === 0) return change',
    'if (left.length >= 0) return change',
    PLANS,
    'one piece cancelled',
  ),
  at(
    'core/src/ledger/decide/calculators.ts',
    '(figures[key] ?? start) === null',
    'figures[key] === undefined && start === null',
    'core/src/ledger/decide/calculators.test.ts',
    'is no zero',
  ),
  at(
    'core/src/ledger/decide/buying.ts',
    'Math.floor((at - 1) / upgradeMonths)',
    'Math.floor(at / upgradeMonths)',
    'core/src/ledger/decide/calculators.test.ts',
    'a licence of 300',
  ),
  at(
    'core/src/formulas/money/annual-cost.ts',
    'rate === 0 ? presentMinor / years',
    'rate === 0 ? presentMinor',
    'core/src/formulas/money/annual-cost.test.ts',
  ),
  at(
    'server/src/ledger/wish-routes.ts',
    'it.sells.some((sale) => sale.unitId === unitId) &&',
    'it.sells.some((sale) => sale.unitId === field) &&',
    PLANS,
    'pays for no other',
  ),
]
