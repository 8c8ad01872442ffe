const KITS = 'server/src/ledger/needs-of-kits.test.ts'
const REGRETS = 'server/src/ledger/needs-of-regrets.test.ts'
const SOLVE = 'core/src/ledger/tier/solve-kit.test.ts'
const TIERS = 'core/src/ledger/tier/tiers.test.ts'
const at = (file, from, to, test, titled) => ({ law: 'kits', file, from, to, test, titled })

/** Faults of kits for sums of money, book values, regrets and vendors, each with the test that has to notice. */
export const KIT_FAULTS = [
  at('core/src/ledger/tier/kit-program.ts', 'least: isRequired ? 1 : null', 'least: null', SOLVE, 'aimed at money'),
  at(
    'core/src/ledger/tier/kit-program.ts',
    'least: isMust ? 1 : null, most',
    'least: null, most',
    SOLVE,
    'aimed at money',
  ),
  at(
    'core/src/ledger/tier/kit-program.ts',
    'if (servesId !== null) program',
    'if (servesId === id) program',
    SOLVE,
    'aimed at points',
  ),
  at(
    'core/src/ledger/tier/solve-kit.ts',
    "isOver ? ['over'] : judge(picks)",
    "isOver ? ['over'] : []",
    TIERS,
    'bought twice, and the stand',
  ),
  at(
    'core/src/ledger/tier/solve-kit.ts',
    'const isProven = answer.costMinor === reached.costMinor &&',
    'const isProven = answer.costMinor >= 0 ||',
    SOLVE,
    'aimed at points',
  ),
  at(
    'core/src/ledger/tier/kit-question.ts',
    'if (isWhole) for (const { variable } of pressing)',
    'if (!isWhole) for (const { variable } of pressing)',
    TIERS,
    'nothing is forgotten',
  ),
  at(
    'core/src/ledger/tier/kit-question.ts',
    "findFit(role, item, musts) === 'yes'",
    "findFit(role, item, musts) !== 'no'",
    TIERS,
    'unknown is not yes',
  ),
  at(
    'core/src/ledger/tier/tiers.ts',
    'it.minor * 100 > MOST_SHARE_PERCENT',
    'it.minor * 100 >= MOST_SHARE_PERCENT',
    TIERS,
    'half of it is not',
  ),
  at('core/src/ledger/tier/tiers.ts', '? OFFERED_WEIGHT : 1', '? 1 : 1', TIERS, 'is not said to lack'),
  at('core/src/ledger/tier/kit-case.ts', "price === null || use === 'not'", "use === 'not'", KITS, 'no price'),
  at('server/src/ledger/kit-plan-routes.ts', 'if (toGo > 0)', 'if (toGo > 99)', KITS, 'opens once so many films'),
  at(
    'server/src/ledger/kit-plan-store.ts',
    'lte(films.on, today)',
    "lte(films.on, 'x')",
    KITS,
    'opens once so many films',
  ),
  at('server/src/ledger/kit-plan-routes.ts', 'if (count > option.most)', 'if (count > 99)', KITS, 'too many pieces'),
  at('server/src/ledger/wish-routes.ts', 'wishId: before.id,', 'wishId: null,', KITS, 'right to the penny'),
  at(
    'server/src/ledger/wish-routes.ts',
    'if (!found) return',
    'if (found) return',
    REGRETS,
    'is tried before it is ordered',
  ),
  at(
    'core/src/ledger/wish/regrets.ts',
    "outcome.answer !== 'yes'",
    "outcome.answer === 'no'",
    REGRETS,
    'is tried before it is ordered',
  ),
  at('core/src/ledger/wish/wish-price.ts', 'wish.reviewOn ?? addDays', 'addDays', REGRETS, 'on its day'),
  at(
    'core/src/formulas/money/depreciation.ts',
    'at === count - 1 ? minor : ',
    '',
    'core/src/formulas/money/depreciation.test.ts',
    'all parts are the whole',
  ),
  at(
    'core/src/ledger/assets/reserve.ts',
    'Math.max(1, countMonths(today, endsOn))',
    'countMonths(today, endsOn)',
    'core/src/ledger/assets/reserve.test.ts',
    'within a month',
  ),
  at(
    'core/src/studio/people/vendor-record.ts',
    'countDays(it.acquiredOn, today) >= YEAR',
    'countDays(it.acquiredOn, today) >= 0',
    REGRETS,
    'known by what failed',
  ),
]
