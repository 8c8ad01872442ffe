import type { Absence } from '../../kit/unit/absence.ts'
import { LIFE_STATES } from '../../kit/unit/unit.ts'
import { TRAITS } from '../../studio/people/person.ts'
import { formatData, formatEnergy, formatMinutes, formatPower, trim } from '../../units/quantity.ts'
import { listInWords } from '../../units/wording.ts'
import { DEMAND_WORDS, sayDemand } from '../checks/content/demand-words.ts'
import { type FindingWords, makeGauge, plain, type WorkingWords } from '../checks/finding-words.ts'
import { sayRigFinding, sayRigWorking } from '../checks/rig-words.ts'
import { saySoundFinding, saySoundWorking } from '../checks/sound/sound-words.ts'
import type { LinkFinding } from '../joining/cable-run.ts'
import type { Remedy } from '../proposals/remedy.ts'
import type { Readiness, ReadinessFinding, Working } from './readiness.ts'

/** How to write an instant or a day: the caller knows the studio's zone. */
export interface TimeWords {
  sayInstant(epochMs: number): string
  sayDay(date: string): string
}

function plural(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`
}

const NUMBER_WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine']

function sayCount(count: number): string {
  return NUMBER_WORDS[count] ?? String(count)
}

/** "Cannot run: 2 stops. 3 things to check." */
export function sayVerdict({ counts }: Pick<Readiness, 'counts'>, hasThings = true): string {
  const checks = counts.warn + counts.unknown + counts.advise
  const rest = checks ? ` ${plural(checks, 'thing')} to check.` : ''
  if (!hasThings) return 'Nothing in it yet.'
  if (counts.stop) return `Cannot run: ${plural(counts.stop, 'stop')}.${rest}`
  if (checks) return `Can run.${rest}`
  return 'Ready to run.'
}

export function sayAbsence(absence: Absence, words: TimeWords): string {
  switch (absence.reason) {
    case 'state': {
      const back = absence.backOn ? `, hoped back on ${words.sayDay(absence.backOn)}` : ''
      return `${LIFE_STATES[absence.state].label.toLowerCase()}${back}`
    }
    case 'fault':
      return `out of use since ${words.sayDay(absence.since)}: ${absence.note}`
    case 'goes-back':
      return `goes back to its owner on ${words.sayDay(absence.dueOn)}, but is wanted until ${words.sayDay(absence.neededUntil)}`
    case 'booked':
      return `booked for ${absence.title}, ${words.sayInstant(absence.start)} to ${words.sayInstant(absence.end)}`
    case 'late':
      return `still out with ${absence.title}, due back ${words.sayInstant(absence.since)}`
    default:
      return absence satisfies never
  }
}

export function sayFinding(finding: ReadinessFinding, words: TimeWords): FindingWords {
  switch (finding.code) {
    case 'role-empty':
      return plain(`Nothing is ${finding.role}`, 'Put a thing into this role, or mark it as left empty on purpose.')
    case 'thing-absent':
      return plain(`${finding.tag} is not there`, `${finding.name} is ${sayAbsence(finding.absence, words)}.`)
    case 'need-unmet':
      return sayUnmet(finding, words)
    case 'bound-elsewhere':
      return plain(
        `${finding.tag} stays in ${finding.room}`,
        `${finding.name} is the venue’s own and belongs to ${finding.room}. This is to be in ${finding.here}.`,
      )
    case 'part-missing':
      return plain(
        `${finding.tag} is incomplete`,
        `${finding.name} is without ${listInWords(finding.parts)}. Find it, or see whether it works without.`,
      )
    case 'work-around':
      return plain(
        `${finding.tag}: ${finding.text}`,
        `The crew knows this of ${finding.name}. Plan for it, or take another.`,
      )
    case 'stock-short':
      return plain(
        `${finding.name}: ${finding.wanted} wanted, ${finding.have} left`,
        `The setup takes ${finding.wanted} of ${finding.tag} and ${finding.have} are free.`,
      )
    case 'joint-unknown':
      return sayUnknownJoint(finding)
    case 'watts-unknown':
      return plain(
        `Cannot tell what ${finding.tag} draws`,
        `The power of ${finding.name} is not recorded, so it is missing from every sum. It stands on the label.`,
      )
    case 'circuit-missing':
      return plain(
        'Cannot tell whether the circuit holds',
        `${formatPower(finding.milliwatts)} run from the mains. Choose the circuit that feeds this setup.`,
      )
    case 'circuit-load': {
      const { working } = finding
      const byShare = working.rule === 'whole' && (working.level === 'warn' || working.isContinuous)
      const limit = byShare ? working.continuousMilliwatts : working.ratedMilliwatts
      const value = working.rule === 'part' ? working.reckonedMilliwatts : working.totalMilliwatts
      const usual =
        working.rule === 'part' && working.totalMilliwatts <= working.ratedMilliwatts
          ? `What runs three hours or more is reckoned at ${trim(10_000 / working.continuousPercent, 0)} %.`
          : working.level === 'warn'
            ? `Above ${working.continuousPercent} % of the circuit: fine for less than three hours, no longer.`
            : working.isContinuous && working.totalMilliwatts <= working.ratedMilliwatts
              ? `For three hours or more, usual practice loads a circuit to ${working.continuousPercent} %.`
              : 'The breaker may open in the middle of a take.'
      return {
        title: `${working.circuit} is overloaded`,
        text: `${usual} Local codes and a licensed electrician decide.`,
        gauge: makeGauge(value, limit, `${trim(value / 1000, 0)} of ${trim(limit / 1000, 0)} W`),
      }
    }
    case 'packs-short': {
      const { working } = finding
      const short = working.wanted - working.have
      const spare = working.spare ? ` and ${sayCount(working.spare)} spare` : ''
      return {
        title: `Packs of ${finding.label}: ${short} short`,
        text: `${formatMinutes(working.minutes)} on packs want ${working.needed}${spare}, ${working.wanted} in all. The setup has ${working.have}.`,
        gauge: makeGauge(working.have, working.wanted, `${working.have} of ${working.wanted} packs`),
      }
    }
    case 'cards-short': {
      const { working } = finding
      return {
        title: `The cards in ${working.tag} end ${formatMinutes(working.plannedMinutes - working.minutes)} early`,
        text: `They hold ${formatMinutes(working.minutes)} at ${working.mode}; ${formatMinutes(working.plannedMinutes)} are planned.`,
        gauge: makeGauge(
          working.minutes,
          working.plannedMinutes,
          `${working.minutes} of ${working.plannedMinutes} min`,
        ),
      }
    }
    case 'skill-missing':
      return finding.isBooked
        ? plain(
            `Nobody booked can do: ${finding.skill}`,
            `${listInWords(finding.knownBy)} can. Ask, and put the name on the booking.`,
          )
        : plain(`Nobody can do: ${finding.skill}`, 'Nobody of the team has this skill recorded.')
    case 'skill-single':
      return plain(
        `Only ${finding.person} can do: ${finding.skill}`,
        'If that person is ill, this cannot run. Show it to somebody else.',
      )
    case 'person-limit': {
      const until = finding.until ? ` until ${words.sayDay(finding.until)}` : ''
      const note = finding.note ? ` ${finding.note}.` : ''
      return plain(
        `${finding.person}: ${TRAITS[finding.trait].label.toLowerCase()}${until}`,
        `This setup asks for the contrary. Change the place, the lamp or the person.${note}`,
      )
    }
    case 'consent-refused':
      return plain(
        `${finding.person} does not want to be filmed`,
        `Keep ${finding.person} behind the camera.${finding.note ? ` ${finding.note}.` : ''}`,
      )
    case 'owner-not-asked':
      return plain(
        `${finding.owner} was not asked about ${finding.tag}`,
        `${finding.name} belongs to ${finding.owner}, who has not agreed that it works here.`,
      )
    case 'spare-missing':
      return plain(
        `No spare for ${finding.tag}`,
        `${finding.role} ${finding.policy === 'must' ? 'must' : 'had better'} have one, and nothing free is of its kind. If ${finding.name} fails, this stops.`,
      )
    case 'link-trouble':
      return sayLinkTrouble(finding)
    case 'sound-unrecorded':
      return plain(
        `Nothing records ${finding.tag}`,
        `${finding.name} goes to ${listInWords(finding.reaches)}, and from there nowhere that keeps it. Record ten seconds and play them back.`,
      )
    case 'sound-single':
      return plain(
        `All sound goes into ${finding.recorder}`,
        `If it stops, ${listInWords(finding.microphones)} ${finding.microphones.length > 1 ? 'are' : 'is'} lost. Your policy is to record in two places.`,
      )
    case 'demand-unmet':
      return plain(DEMAND_WORDS[finding.demand].unmet, sayDemand(finding))
    case 'demand-unknown':
      return plain(
        `Cannot tell: ${DEMAND_WORDS[finding.demand].asks}`,
        `${DEMAND_WORDS[finding.demand].unknown} of ${listInWords(finding.tags)} is not recorded. Write it down under “What it is”.`,
      )
    case 'carried-load':
    case 'circle-small':
    case 'beyond-room':
    case 'height-out-of-reach':
    case 'double-duty':
    case 'given-lacking':
      return sayRigFinding(finding)
    case 'link-slow':
    case 'gain-short':
    case 'feed-missing':
    case 'feed-unknown':
    case 'gain-unknown':
    case 'microphones-short':
    case 'sound-inputs-short':
    case 'microphone-unsuited':
      return saySoundFinding(finding)
    case 'place-closed':
      return plain(
        `${finding.place} is closed by then`,
        `It can be used until ${words.sayDay(finding.until)}.${finding.terms ? ` ${finding.terms}.` : ''} Book another room.`,
      )
    default:
      return finding satisfies never
  }
}

function sayLinkTrouble({ why, from, to, via, lengthMm, neededMm }: LinkFinding): FindingWords {
  const over = via.length > 0 ? ` over ${listInWords(via)}` : ''
  const run = `The run from ${from || 'its start'} to ${to || 'its end'}${over}`
  const metres = (mm: number | null) => `${trim((mm ?? 0) / 1000, 2)} m`
  switch (why) {
    case 'gone':
      return plain(
        `A piece of a run is gone`,
        `${run} was made with a thing that is no longer in the setup. Make it anew.`,
      )
    case 'not-joined':
      return plain(
        `${from} does not reach ${to}`,
        `${run} does not join: its ends do not go into each other, or are taken.`,
      )
    case 'short':
      return {
        title: `The run from ${from} to ${to} is too short`,
        text: `${run} is ${metres(lengthMm)} long, and the way ${metres(neededMm)}. Find a longer one.`,
        gauge: makeGauge(lengthMm ?? 0, neededMm ?? 1, `${metres(lengthMm)} of ${metres(neededMm)}`),
      }
    case 'length-unknown':
      return plain(
        `Cannot tell whether ${from} reaches ${to}`,
        `The length of ${listInWords(via)} is not recorded; the way is ${metres(neededMm)}.`,
      )
    default:
      return why satisfies never
  }
}

/** The same finding without its figures, for who goes by feel: what it means and what to do. */
export function sayPlainly(finding: ReadinessFinding, text: string): string {
  switch (finding.code) {
    case 'circuit-load':
      return 'Too much is plugged into one circuit: it may go dark in the middle of a take. Local codes and a licensed electrician decide.'
    case 'packs-short':
      return finding.working.have < finding.working.needed
        ? `The packs of ${finding.label} do not last for the planned time.`
        : `The packs of ${finding.label} last, but there is no spare.`
    case 'carried-load':
      return finding.level === 'stop'
        ? `Too much rides on ${finding.working.tag}: it may give way. Take a stronger one, or less on it.`
        : text
    case 'gain-short':
      return `${finding.working.tag} is too quiet for ${finding.working.input.tag}: go nearer, or put a booster between.`
    case 'cards-short':
      return `The cards in ${finding.working.tag} are full before the end.`
    default:
      return text
  }
}

function sayUnmet(finding: Extract<ReadinessFinding, { code: 'need-unmet' }>, words: TimeWords): FindingWords {
  const labels = listInWords(finding.interfaces.map(nameInterface), 'or')
  const have = finding.wanted - finding.missing
  const title = sayUnmetTitle(finding)
  const count = finding.wanted === 1 ? 'one' : `${finding.wanted} ×`
  const wants = `${finding.name} wants ${count} ${labels}${have ? ` and has ${sayCount(have)}` : ''}.`
  const rivals = finding.rivals.length
    ? ` ${listInWords([finding.tag, ...finding.rivals].sort())} want the same, and there is only ${finding.supply.length ? listInWords(finding.supply) : 'none'}.`
    : ''
  const store =
    finding.inStore === 0
      ? ' The store has none free.'
      : finding.remedies.some((it) => it.kind === 'assign' || it.kind === 'assign-stock')
        ? ` The store has ${sayCount(finding.inStore)} free.`
        : ` The store has ${sayCount(finding.inStore)} free, which would want something themselves that is missing here.`
  // The classic: one shoe on the camera, and microphone, receiver, lamp and screen all want it.
  const bracket =
    finding.interfaces.some((it) => it.code === 'shoe') && finding.rivals.length > 0
      ? ' A bracket with cold shoes carries more than one.'
      : ''
  const away = finding.away
    .map(({ tag, absence }) => ` ${tag} would fit and is ${sayAbsence(absence, words)}.`)
    .join('')
  return plain(title, wants + rivals + bracket + store + away)
}

/** "Fenn A pack", "1/4-20 thread screw"; a mains lead or a "9 V cell" says by its own name what is wanted. */
function nameInterface({ label, kind, partner }: { label: string; kind: string; partner: string }): string {
  return kind === 'mains' || label.endsWith(partner) ? label : `${label} ${partner}`
}

function sayUnmetTitle(finding: Extract<ReadinessFinding, { code: 'need-unmet' }>): string {
  const first = finding.interfaces[0]
  if (!first) return `${finding.tag} is not complete`
  const what = {
    mount: `${finding.tag} has no ${first.partner}`,
    carry: `Nothing carries ${finding.tag}`,
    battery: `No ${first.label} for ${finding.tag}`,
    card: `No card for ${finding.tag}`,
    mains: first.partner.includes('connector')
      ? `No mains lead for ${finding.tag}`
      : `${finding.tag} is not plugged in`,
    signal: `${finding.tag} is not connected`,
  }[first.kind]
  return finding.missing > 1 && finding.wanted > 1 ? `${what} (${finding.missing} missing)` : what
}

function sayUnknownJoint({
  fact,
  tag,
  name,
  other,
}: Extract<ReadinessFinding, { code: 'joint-unknown' }>): FindingWords {
  switch (fact) {
    case 'card-speed':
      return plain(
        `Cannot tell whether ${tag} is fast enough`,
        `The speed class of ${name} is not recorded. It is printed on the card.`,
      )
    case 'mass':
      return plain(
        `Cannot tell whether ${other} bears ${tag}`,
        `The mass of ${name} is not recorded. Weigh it, or look at its plate.`,
      )
    case 'load-limit':
      return plain(`Cannot tell what ${other} bears`, `No load limit is recorded for ${other}, which carries ${name}.`)
    default:
      return fact satisfies never
  }
}

export function sayRemedy(remedy: Remedy): string {
  switch (remedy.kind) {
    case 'assign':
      return `Take ${listInWords(remedy.tags)} too`
    case 'assign-stock':
      return `Take ${remedy.quantity} ${remedy.name} from stock`
    case 'replace':
      return `Use ${remedy.tag} instead`
    case 'power-mode':
      return `Run ${remedy.tag} from: ${remedy.label.toLowerCase()}`
    case 'recording-mode':
      return `Record ${remedy.tag} at ${remedy.label}`
    case 'circuit':
      return `Feed it from ${remedy.name}`
    case 'shop':
      return `Put ${remedy.quantity} on the shopping list`
    default:
      return remedy satisfies never
  }
}

function sayLoadRule(working: Extract<Working, { formula: 'circuit-load' }>): { label: string; sum: string }[] {
  const { rule, ratedMilliwatts, continuousPercent, continuousMilliwatts, totalMilliwatts } = working
  if (rule === 'none') return []
  if (rule === 'whole') {
    const sum = `${formatPower(ratedMilliwatts)} × ${continuousPercent} % = ${formatPower(continuousMilliwatts)}`
    return [{ label: 'for hours', sum }]
  }
  const lasting = working.loads.reduce((sum, it) => sum + (it.isContinuous ? it.milliwatts : 0), 0)
  const sum = `${formatPower(lasting)} / ${continuousPercent} % + ${formatPower(totalMilliwatts - lasting)} = ${formatPower(working.reckonedMilliwatts)}`
  return [{ label: 'reckoned', sum }]
}

/** The formula with the numbers in it. */
export function sayWorking(working: Working, labelOf: (code: string) => string = (code) => code): WorkingWords {
  switch (working.formula) {
    case 'circuit-load':
      return {
        title: `Load on ${working.circuit}`,
        summary: `${trim(working.totalMilliwatts / 1000, 0)} of ${trim((working.isContinuous && working.rule === 'whole' ? working.continuousMilliwatts : working.ratedMilliwatts) / 1000, 0)} W`,
        lines: [
          ...working.loads.map((load) => ({ label: load.tag, sum: formatPower(load.milliwatts) })),
          { label: 'together', sum: formatPower(working.totalMilliwatts) },
          {
            label: 'circuit',
            sum: `${working.volts} V × ${trim(working.amps, 1)} A = ${formatPower(working.ratedMilliwatts)}`,
          },
          ...sayLoadRule(working),
        ],
        assumptions: [
          'Recorded watts are taken; the current at switching on and the power factor are not.',
          {
            whole: `The ${working.continuousPercent} % rule is applied to the whole load when it runs three hours or more.`,
            part: 'Only what runs three hours or more is reckoned higher; what is marked as running briefly is not.',
            none: 'No rule for long loads is applied here; your own code may ask for one.',
          }[working.rule],
        ],
        source: 'P = V·I; NFPA 70, 210.20(A) for continuous loads',
      }
    case 'pack-hours':
      return {
        title: `Packs of ${labelOf(working.family)}`,
        summary: `${working.have} packs, ${working.wanted} wanted`,
        lines: [
          {
            label: 'one pack',
            sum: `${formatEnergy(working.packMilliwattHours)} × ${working.healthPercent} % health × ${working.efficiencyPercent} %`,
          },
          ...working.devices.map((device) => ({
            label: device.tag,
            sum: `${device.atOnce} at once, ${formatPower(device.milliwatts)}: ${trim(device.runtimeMinutes, 0)} min; ${device.atOnce} × ⌈${working.minutes} / ${trim(device.runtimeMinutes, 1)}⌉ = ${device.packs}`,
          })),
          {
            label: 'wanted',
            sum: `${working.needed} + ${working.spare} spare = ${working.wanted}; have ${working.have}`,
          },
        ],
        assumptions: [
          'Packs are swapped whole, and the weakest pack of the family decides.',
          'The draw is the recorded one, undimmed.',
        ],
        source: 'Wh = V·Ah; runtime = Wh · health · efficiency / W',
      }
    case 'carried-load':
      return sayRigWorking(working)
    case 'microphone-gain':
      return saySoundWorking(working)
    case 'card-minutes':
      return {
        title: `Recording time of ${working.tag}`,
        summary: `${working.minutes} for ${working.plannedMinutes} min`,
        lines: [
          ...working.cards.map((card) => ({
            label: card.tag,
            sum: `${formatData(card.megabytes)} × ${100 - working.headroomPercent} % = ${formatData((card.megabytes * (100 - working.headroomPercent)) / 100)}`,
          })),
          {
            label: 'fills',
            sum: `${trim(working.kilobitsPerSecond / 1000, 1)} Mbit/s × 0.45 = ${trim((working.kilobitsPerSecond / 1000) * 0.45, 1)} GB/h`,
          },
          { label: 'holds', sum: `${working.minutes} min; planned ${working.plannedMinutes} min` },
        ],
        assumptions: [
          `${working.headroomPercent} % of every card stays free (common practice, a setting).`,
          'Decimal gigabytes, as cards are sold; whole minutes on each card.',
        ],
        source: 'GB/h = Mbit/s · 3600 / 8 / 1000',
      }
    default:
      return working satisfies never
  }
}
