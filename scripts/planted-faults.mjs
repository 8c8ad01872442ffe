import { BENCH_FAULTS } from './planted-faults/bench.mjs'
import { CHARGED_AND_ABLE_FAULTS } from './planted-faults/charged-and-able.mjs'
import { DOORS_FAULTS } from './planted-faults/doors.mjs'
import { ENTRY_FAULTS } from './planted-faults/entry.mjs'
import { FREE_AND_FIGURES_FAULTS } from './planted-faults/free-and-figures.mjs'
import { KIT_FAULTS } from './planted-faults/kits.mjs'
import { LAWS_FAULTS } from './planted-faults/laws.mjs'
import { LEDGER_FAULTS } from './planted-faults/ledger.mjs'
import { PICTURE_AND_LIGHT_FAULTS } from './planted-faults/picture-and-light.mjs'
import { PICTURES_FAULTS } from './planted-faults/pictures.mjs'
import { VERDICTS_FAULTS } from './planted-faults/verdicts.mjs'
import { WEAR_FAULTS } from './planted-faults/wear.mjs'

/** What is changed in the sources, and the test that has to notice: one line each, by the audit row or the law it breaks. */
export const PLANTED_FAULTS = [
  ...VERDICTS_FAULTS,
  ...LAWS_FAULTS,
  ...ENTRY_FAULTS,
  ...FREE_AND_FIGURES_FAULTS,
  ...PICTURE_AND_LIGHT_FAULTS,
  ...PICTURES_FAULTS,
  ...DOORS_FAULTS,
  ...CHARGED_AND_ABLE_FAULTS,
  ...BENCH_FAULTS,
  ...WEAR_FAULTS,
  ...LEDGER_FAULTS,
  ...KIT_FAULTS,
]
