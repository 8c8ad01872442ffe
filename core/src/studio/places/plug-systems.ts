import { z } from 'zod'

/** The sockets of a country, and what is usual behind them. */
export interface PlugSystem {
  label: string
  /** The interface of its wall socket. */
  socket: string
  volts: number
  hertz: 50 | 60
  /** What its usual outlet is rated for, in amperes. */
  outletAmps: number
  /** What its usual circuit is protected at, in amperes. */
  circuitAmps: number
  /** Sockets that the two-pole plug of a thin lead goes into; without earth it goes into more of them. */
  thinPlug: readonly string[]
  /** Rating of a plain lead by its connector, in amperes. */
  leadAmps: Readonly<Record<string, number>>
  source: string
}

/** Appliance couplers by IEC 60320-1 (from memory): C5 and C7 2.5 A, C13 10 A, C19 16 A. */
const IEC_COUPLERS = { 'iec-c7': 2.5, 'iec-c5': 2.5, 'iec-c13': 10, 'iec-c19': 16 }
/** The same couplers as North America rates them (UL 498, CSA C22.2 No. 182.1; from memory): cords of 18 AWG and 14 AWG. */
const AMERICAN_COUPLERS = { 'iec-c7': 10, 'iec-c5': 10, 'iec-c13': 10, 'iec-c19': 15 }

/** EN 50075: a plug without earth for 2.5 A, made to go into all of these. */
const EUROPLUG = ['mains-cee7', 'mains-sev1011', 'mains-cei2350']

/**
 * Sockets by country. Voltages and frequencies: IEC 60038 and IEC TR 60083; both from memory, as are the ratings. What is in
 * the wall decides, and who is licensed for it.
 */
export const PLUG_SYSTEMS = {
  british: {
    label: 'British, three flat pins',
    socket: 'mains-bs1363',
    volts: 230,
    hertz: 50,
    outletAmps: 13,
    circuitAmps: 32,
    thinPlug: ['mains-bs1363'],
    leadAmps: IEC_COUPLERS,
    source: 'BS 1363 (fused plug, 13 A); a ring of 32 A is common practice',
  },
  continental: {
    label: 'Continental, two round pins and earth',
    socket: 'mains-cee7',
    volts: 230,
    hertz: 50,
    outletAmps: 16,
    circuitAmps: 16,
    thinPlug: EUROPLUG,
    leadAmps: IEC_COUPLERS,
    source: 'CEE 7; EN 50075 for the thin plug',
  },
  swiss: {
    label: 'Swiss, three round pins',
    socket: 'mains-sev1011',
    volts: 230,
    hertz: 50,
    outletAmps: 10,
    circuitAmps: 13,
    thinPlug: EUROPLUG,
    leadAmps: IEC_COUPLERS,
    source: 'SN 441011, type 13',
  },
  italian: {
    label: 'Italian, three round pins in a row',
    socket: 'mains-cei2350',
    volts: 230,
    hertz: 50,
    outletAmps: 10,
    circuitAmps: 16,
    thinPlug: EUROPLUG,
    leadAmps: IEC_COUPLERS,
    source: 'CEI 23-50, the socket that takes 10 A and 16 A',
  },
  american: {
    label: 'North American, two flat pins and earth',
    socket: 'mains-nema5',
    volts: 120,
    hertz: 60,
    outletAmps: 15,
    circuitAmps: 15,
    thinPlug: ['mains-nema5', 'mains-jis'],
    leadAmps: AMERICAN_COUPLERS,
    source: 'NEMA WD 6, 5-15',
  },
  australian: {
    label: 'Australian, slanted flat pins',
    socket: 'mains-as3112',
    volts: 230,
    hertz: 50,
    outletAmps: 10,
    circuitAmps: 20,
    thinPlug: ['mains-as3112'],
    leadAmps: IEC_COUPLERS,
    source: 'AS/NZS 3112',
  },
  japanese: {
    label: 'Japanese, two flat pins',
    socket: 'mains-jis',
    volts: 100,
    hertz: 50,
    outletAmps: 15,
    circuitAmps: 20,
    thinPlug: ['mains-jis', 'mains-nema5'],
    leadAmps: { 'iec-c7': 7, 'iec-c5': 7, 'iec-c13': 12, 'iec-c19': 15 },
    source: 'JIS C 8303; 50 Hz in the east, 60 Hz in the west',
  },
} as const satisfies Record<string, PlugSystem>

export type PlugSystemCode = keyof typeof PLUG_SYSTEMS
export const PLUG_SYSTEM_CODES = Object.keys(PLUG_SYSTEMS) as [PlugSystemCode, ...PlugSystemCode[]]
export const plugSystemSchema = z.enum(PLUG_SYSTEM_CODES)

/** Couplers whose usual lead has two wires, and so a plug without earth. */
const THIN: ReadonlySet<string> = new Set(['iec-c7'])

/** Sockets that the plug of a lead goes into, by the connector at its other end. */
export function listPlugFits(system: PlugSystemCode, connector: string): string[] {
  const { socket, thinPlug }: PlugSystem = PLUG_SYSTEMS[system]
  return THIN.has(connector) ? [...thinPlug] : [socket]
}

/** The system to which a wall socket belongs; null for any other interface. */
export function findPlugSystem(socket: string): PlugSystemCode | null {
  return PLUG_SYSTEM_CODES.find((code) => PLUG_SYSTEMS[code].socket === socket) ?? null
}

/** Interfaces that are sockets in a wall or a strip, rather than couplers at a device. */
export const isWallSocket = (code: string) => findPlugSystem(code) !== null
