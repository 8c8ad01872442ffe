/**
 * How long a passive cable of an interface may be, in millimetres, before the signal fails without a repeater. USB 2.0
 * allows 5 m (USB 2.0 specification, by its delay of 26 ns), structured cabling 100 m a channel (ISO/IEC 11801); the
 * others are common practice. All from memory.
 */
export const PASSIVE_LIMITS_MM: Readonly<Record<string, number>> = {
  'hdmi-a': 10_000,
  'hdmi-c': 5_000,
  'hdmi-d': 5_000,
  'usb-a': 5_000,
  'usb-c': 2_000,
  rj45: 100_000,
  bnc: 90_000,
  'xlr-3': 100_000,
  'trs-35': 6_000,
  'trs-63': 8_000,
}
