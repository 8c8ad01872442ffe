/** Lines without which a picture would show what is not so, or an example would be ready that is not. */
const WHOLE = 'core/src/laws/pictures-are-whole.test.ts'
const API = 'server/src/setups/pictures.test.ts'
const EXAMPLES = 'server/src/setups/example-studios.test.ts'

export const PICTURES_FAULTS = [
  {
    law: 'pictures',
    file: 'core/src/setups/joining/picture-kind.ts',
    from: "card: 'signals'",
    to: "card: 'none' as 'signals'",
    test: WHOLE,
    titled: 'drawn once',
  },
  {
    law: 'pictures',
    file: 'core/src/setups/pictures/draw-picture.ts',
    from: 'from: find(it.from), to: find(it.to)',
    to: 'from: it.from, to: find(it.to)',
    test: API,
    titled: 'four cells',
  },
  {
    law: 'pictures',
    file: 'core/src/setups/pictures/layout.ts',
    from: 'all.height > 0 ? all.height + BETWEEN_NODES : 0',
    to: '0',
    test: WHOLE,
    titled: 'laid out',
  },
  {
    law: 'pictures',
    file: 'core/src/setups/joining/restate-joint.ts',
    from: '...rest.map(single)',
    to: '',
    test: API,
    titled: 'of a run over a cable',
  },
  {
    law: 'pictures',
    file: 'core/src/setups/joining/joint-choices.ts',
    from: '.filter((it) => findClash(...asPair(it), scene) === null)',
    to: '',
    test: WHOLE,
    titled: 'put elsewhere',
  },
  {
    law: 'law 8',
    file: 'core/src/setups/joining/needed-accessories.ts',
    from: '&& !said.has(it.key)',
    to: '',
    test: API,
    titled: 'plugged into the wall',
  },
  {
    law: 'law 4',
    file: 'core/src/setups/joining/needed-accessories.ts',
    from: "isUnwanted(it.thing) ? { ...it, level: 'advise' } : it",
    to: 'it',
    test: API,
    titled: 'plugged into the wall',
  },
  {
    law: 'pictures',
    file: 'core/src/setups/pictures/switched-off.ts',
    from: '!feedersOf(to, joints).every((it) => off.has(it))',
    to: 'feedersOf(to, joints).length === 0',
    test: 'core/src/setups/pictures/switched-off.test.ts',
  },
  {
    law: 'examples',
    file: 'core/src/setups/joining/joint-costs.ts',
    from: "new Set(['table-edge', 'cross-bar'])",
    to: 'new Set([])',
    test: EXAMPLES,
    titled: 'podcast-for-four in GB is joined',
  },
  {
    law: 'examples',
    file: 'core/src/setups/checks/joints/unmet-needs.ts',
    from: '(it) => findEmptyHome(scene, it)',
    to: '() => undefined',
    test: EXAMPLES,
    titled: 'phone-only in DE whatever',
  },
  {
    law: 'examples',
    file: 'core/src/setups/joining/bearing.ts',
    from: "new Set(['ring-light', 'prompter'])",
    to: 'new Set([])',
    test: EXAMPLES,
    titled: 'beauty-close-ups in US whatever',
  },
]
