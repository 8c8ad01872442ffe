import { z } from 'zod'
import { idSchema, nameSchema, versionSchema } from '../../studio/identity.ts'

export const INTERFACE_KINDS = ['mount', 'carry', 'battery', 'card', 'mains', 'signal'] as const

/**
 * Where two things meet. `host` is the side that receives (socket, bay, slot, body, stand's spigot), `guest` the side
 * that goes in or on; compatible ports always join one of each, which makes the ports of a set a bipartite graph.
 */
export const newInterfaceSchema = z.object({
  label: nameSchema,
  kind: z.enum(INTERFACE_KINDS),
  hostName: nameSchema,
  guestName: nameSchema,
  standard: z.string().trim().max(120).nullable(),
  /** Two devices never meet here directly: a cable or adapter stands between. */
  viaCableOnly: z.boolean(),
})
export const interfaceSchema = newInterfaceSchema.extend({ code: idSchema, version: versionSchema })
export type Interface = z.infer<typeof interfaceSchema>
export type NewInterface = z.infer<typeof newInterfaceSchema>

type Row = [code: string, label: string, kind: Interface['kind'], host: string, guest: string, standard: string | null]

const ROWS: Row[] = [
  ['thread-1-4', '1/4-20 thread', 'carry', 'screw', 'hole', 'ISO 1222'],
  ['thread-3-8', '3/8-16 thread', 'carry', 'screw', 'hole', 'ISO 1222'],
  ['thread-5-8', '5/8-27 microphone thread', 'carry', 'stand', 'clip', null],
  ['spigot-16', '16 mm spigot', 'carry', 'spigot', 'receiver', 'DIN 15560'],
  ['spigot-28', '28 mm spigot', 'carry', 'receiver', 'stud', 'DIN 15560'],
  ['shoe', 'accessory shoe', 'carry', 'shoe', 'foot', 'ISO 518'],
  ['grip-pin', '9.5 mm grip pin', 'carry', 'grip head', 'pin', null],
  ['phone-clamp', 'phone clamp', 'carry', 'clamp', 'phone', null],
  ['surface', 'table top or shelf', 'carry', 'top', 'feet', null],
  ['table-edge', 'edge of a table or shelf', 'carry', 'edge', 'clamp', null],
  ['cross-bar', 'backdrop cross bar', 'carry', 'bar', 'roll', null],
  ['bar', 'bar or pipe', 'carry', 'bar', 'clamp', null],
  ['hand', 'hand', 'carry', 'hand', 'grip', null],
  ['pocket', 'pocket', 'carry', 'pocket', 'clip', null],
  ['screen-75', 'screen holes, 75 mm', 'carry', 'bracket', 'screen', 'VESA MIS-D'],
  ['screen-100', 'screen holes, 100 mm', 'carry', 'bracket', 'screen', 'VESA MIS-D'],
  ['screw-e27', 'E27 lamp holder', 'mount', 'holder', 'lamp', 'IEC 60061'],
  ['filter-52', '52 mm filter thread', 'mount', 'lens', 'filter', null],
  ['filter-67', '67 mm filter thread', 'mount', 'lens', 'filter', null],
  ['filter-49', '49 mm filter thread', 'mount', 'lens', 'filter', null],
  ['filter-55', '55 mm filter thread', 'mount', 'lens', 'filter', null],
  ['filter-58', '58 mm filter thread', 'mount', 'lens', 'filter', null],
  ['filter-62', '62 mm filter thread', 'mount', 'lens', 'filter', null],
  ['filter-72', '72 mm filter thread', 'mount', 'lens', 'filter', null],
  ['filter-95', '95 mm filter thread', 'mount', 'lens', 'filter', null],
  ['filter-82', '82 mm filter thread', 'mount', 'lens', 'filter', null],
  ['filter-77', '77 mm filter thread', 'mount', 'lens', 'filter', null],
  ['sd', 'SD card', 'card', 'slot', 'card', 'SD Association'],
  ['micro-sd', 'microSD card', 'card', 'slot', 'card', 'SD Association'],
  ['cfexpress-a', 'CFexpress type A card', 'card', 'slot', 'card', 'CompactFlash Association'],
  ['cfexpress-b', 'CFexpress type B card', 'card', 'slot', 'card', 'CompactFlash Association'],
  ['cell-aaa', 'AAA cell', 'battery', 'bay', 'cell', 'IEC 60086'],
  ['cell-aa', 'AA cell', 'battery', 'bay', 'cell', 'IEC 60086'],
  ['cell-9v', '9 V cell', 'battery', 'bay', 'cell', 'IEC 60086'],
  ['iec-c7', 'C7 mains lead', 'mains', 'C8 inlet', 'C7 connector', 'IEC 60320'],
  ['iec-c5', 'C5 mains lead', 'mains', 'C6 inlet', 'C5 connector', 'IEC 60320'],
  ['iec-c13', 'C13 mains lead', 'mains', 'C14 inlet', 'C13 connector', 'IEC 60320'],
  ['iec-c19', 'C19 mains lead', 'mains', 'C20 inlet', 'C19 connector', 'IEC 60320'],
  ['mains-bs1363', 'British 13 A socket', 'mains', 'socket', 'plug', 'BS 1363'],
  ['mains-cee7', 'continental 16 A socket', 'mains', 'socket', 'plug', 'CEE 7'],
  ['mains-sev1011', 'Swiss socket', 'mains', 'socket', 'plug', 'SN 441011'],
  ['mains-cei2350', 'Italian socket', 'mains', 'socket', 'plug', 'CEI 23-50'],
  ['mains-nema5', 'North American socket', 'mains', 'socket', 'plug', 'NEMA 5-15'],
  ['mains-as3112', 'Australian socket', 'mains', 'socket', 'plug', 'AS/NZS 3112'],
  ['mains-jis', 'Japanese socket', 'mains', 'socket', 'plug', 'JIS C 8303'],
  ['xlr-3', 'XLR, 3 pin', 'signal', 'socket', 'plug', 'IEC 61076-2-103'],
  ['trs-35', '3.5 mm jack', 'signal', 'socket', 'plug', null],
  ['trrs-35', '3.5 mm jack, 4 pole', 'signal', 'socket', 'plug', null],
  ['xlr-mini', 'small XLR, 3 pin', 'signal', 'socket', 'plug', null],
  ['trs-63', '6.3 mm jack', 'signal', 'socket', 'plug', 'IEC 60603-11'],
  ['rj45', 'network, 8 pin', 'signal', 'socket', 'plug', 'IEC 60603-7'],
  ['usb-a', 'USB-A', 'signal', 'socket', 'plug', 'USB'],
  ['dc-55', '5.5 mm DC barrel', 'signal', 'socket', 'plug', null],
  ['hdmi-a', 'HDMI type A', 'signal', 'socket', 'plug', 'HDMI'],
  ['hdmi-c', 'HDMI type C (mini)', 'signal', 'socket', 'plug', 'HDMI'],
  ['hdmi-d', 'HDMI type D (micro)', 'signal', 'socket', 'plug', 'HDMI'],
  ['usb-c', 'USB-C', 'signal', 'socket', 'plug', 'USB'],
  ['bnc', 'BNC', 'signal', 'socket', 'plug', null],
]

const VIA_CABLE: ReadonlySet<string> = new Set(['xlr-3', 'xlr-mini', 'trs-35', 'trrs-35', 'trs-63', 'bnc', 'rj45'])

/** Interfaces that published standards name. Lens mounts, battery families and plates are the studio's own list. */
export const STANDARD_INTERFACES: readonly Interface[] = ROWS.map(
  ([code, label, kind, hostName, guestName, standard]) => ({
    code,
    label,
    kind,
    hostName,
    guestName,
    standard,
    viaCableOnly: VIA_CABLE.has(code),
    version: 1,
  }),
)

/** How the two sides of a connector of the studio's own are called. */
const OWN_SIDES: Readonly<Record<Interface['kind'], readonly [host: string, guest: string]>> = {
  mount: ['body', 'lens'],
  card: ['slot', 'card'],
  battery: ['bay', 'pack'],
  mains: ['inlet', 'connector'],
  carry: ['host', 'guest'],
  signal: ['socket', 'plug'],
}

/** A connector of the studio's own, of which nothing is known but its name and what kind it is. */
export function makeOwnInterface(kind: Interface['kind'], label: string): NewInterface {
  const [hostName, guestName] = OWN_SIDES[kind]
  return { label, kind, hostName, guestName, standard: null, viaCableOnly: kind === 'signal' }
}
