import {
  formatData,
  formatEnergy,
  formatLength,
  formatMass,
  formatMinutes,
  formatPower,
  trim,
} from '../../units/quantity.ts'
import type { NodeFigure } from './picture.ts'

type System = 'metric' | 'imperial'
type Say<F extends NodeFigure['figure']> = (figure: Extract<NodeFigure, { figure: F }>, system: System) => string

const SAY: { [F in NodeFigure['figure']]: Say<F> } = {
  mass: ({ grams }, system) => (grams === null ? 'not weighed' : formatMass(grams, system)),
  load: ({ totalGrams, ratedGrams, isAtLeast }, system) => {
    const sum = `${isAtLeast ? 'at least ' : ''}${formatMass(totalGrams, system)} of ${formatMass(ratedGrams, system)}`
    return totalGrams > ratedGrams ? `${sum}: ${sayExcess(totalGrams - ratedGrams, system)} too much` : sum
  },
  tipping: ({ safety }) => `safety ${trim(safety, 1)} against tipping`,
  draws: ({ milliwatts }) => (milliwatts === null ? 'watts not recorded' : `draws ${formatPower(milliwatts)}`),
  circuit: ({ milliwatts, ratedMilliwatts, isAtLeast }) =>
    `${isAtLeast ? 'at least ' : ''}${formatPower(milliwatts)} of ${formatPower(ratedMilliwatts)}`,
  holds: ({ milliwattHours }) => (milliwattHours === null ? 'energy not recorded' : formatEnergy(milliwattHours)),
  runs: ({ minutes, packs, level }) => {
    const short = level === 'stop' || level === 'warn' || level === 'advise' ? ', too few here' : ''
    return `${formatMinutes(minutes)} on one fill, wants ${packs} ${packs === 1 ? 'pack' : 'packs'}${short}`
  },
  room: ({ megabytes }) => (megabytes === null ? 'size not recorded' : formatData(megabytes)),
  records: ({ minutes, plannedMinutes, isUsual }) =>
    `${isUsual ? 'about ' : ''}${formatMinutes(Math.floor(minutes))} of ${formatMinutes(plannedMinutes)} planned`,
  gain: ({ haveDb, wantedDb }) => `${trim(haveDb, 0)} dB of gain, ${trim(wantedDb, 0)} wanted`,
  length: ({ mm }, system) => (mm === null ? 'length not recorded' : formatLength(mm, system)),
}

/** What is too much is never nothing, however little it is. */
function sayExcess(grams: number, system: System): string {
  const said = formatMass(grams, system)
  return said === '0 oz' ? 'under 0.1 oz' : said
}

/** A figure as it stands in a picture: "4.9 kg of 4 kg: 0.9 kg too much". */
export function sayNodeFigure(figure: NodeFigure, system: System): string {
  return (SAY[figure.figure] as Say<NodeFigure['figure']>)(figure as never, system)
}
