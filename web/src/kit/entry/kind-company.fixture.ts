import type { Category } from '@exemplar/core'
import { EACH_KIND, type Typed } from './each-kind.fixture.ts'

/** What stands beside a thing in its setup: another kind as it is entered there, but for what is said here. */
const COMPANY: Readonly<Record<string, readonly [kind: Category, otherwise?: Typed]>> = {
  body: ['camera'],
  otherBody: ['camera', { mount: 'Birch' }],
  lens: ['lens'],
  camcorder: ['camcorder'],
  phone: ['phone'],
  holder: ['phone-holder'],
  card: ['card'],
  small: ['card', { cardForm: 'microSD card' }],
  pack: ['pack'],
  cell: ['cell'],
  tripod: ['tripod'],
  stand: ['stand'],
  cStand: ['c-stand'],
  micStand: ['mic-stand'],
  barClamp: ['clamp', { mount: 'bar or pipe', loadGrams: '15 kg', massGrams: '450 g' }],
  table: ['table'],
  c7: ['lead', { inlet: 'C7 mains lead', mostAmps: '2.5' }],
  c13: ['lead'],
  lamp: ['light'],
  cob: ['cob'],
  panel: ['panel'],
  mic: ['dynamic-mic'],
  recorder: ['recorder'],
  mixer: ['mixer'],
  xlr: ['cable'],
  picture: ['cable', { endA: 'HDMI type A', endB: 'HDMI type A' }],
  bnc: ['cable', { endA: 'BNC', endB: 'BNC' }],
  usb: ['cable', { endA: 'USB-C', endB: 'USB-C' }],
  network: ['cable', { endA: 'network, 8 pin', endB: 'network, 8 pin' }],
  laptop: ['laptop'],
  screen: ['desk-monitor'],
  bncScreen: ['desk-monitor', { videoIn: 'BNC' }],
  monitor: ['monitor'],
  smallMonitor: ['monitor', { videoIn: 'HDMI type D (micro)' }],
  keeper: ['external-recorder'],
  support: ['backdrop-support'],
  cloth: ['backdrop'],
  net: ['network-switch'],
  sandbag: ['sandbag'],
  flag: ['flag'],
  drive: ['drive'],
  filter77: ['filter', { mount: '77 mm filter thread' }],
  web: ['webcam'],
}

/** What a name in a setup of `EACH_KIND` stands for, and what is typed about it. */
export function findCompany(name: string): { kind: Category; told: Typed } {
  const found = COMPANY[name]
  if (!found) throw new Error(`Who is ${name}?`)
  const [kind, otherwise] = found
  return { kind, told: { ...EACH_KIND[kind].told, ...otherwise } }
}
