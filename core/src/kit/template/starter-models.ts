import type { Category } from '../model/category.ts'
import type { MoreSpecs } from '../model/spec.ts'
import type { TemplateFacts } from './template-facts.ts'

/** A common thing without maker: one pick fills what such things usually are. Usual figures are common practice. */
export interface StarterModel {
  name: string
  category: Category
  facts: Partial<TemplateFacts>
  more?: MoreSpecs
}

export const STARTER_MODELS: readonly StarterModel[] = [
  { name: 'XLR cable, 3 m', category: 'cable', facts: { endA: 'xlr-3', endB: 'xlr-3' }, more: { lengthMm: 3_000 } },
  { name: 'XLR cable, 10 m', category: 'cable', facts: { endA: 'xlr-3', endB: 'xlr-3' }, more: { lengthMm: 10_000 } },
  { name: 'Video cable, 2 m', category: 'cable', facts: { endA: 'hdmi-a', endB: 'hdmi-a' }, more: { lengthMm: 2_000 } },
  {
    name: 'Micro to full-size video cable',
    category: 'cable',
    facts: { endA: 'hdmi-d', endB: 'hdmi-a' },
    more: { lengthMm: 1_500 },
  },
  {
    name: 'Mini to full-size video cable',
    category: 'cable',
    facts: { endA: 'hdmi-c', endB: 'hdmi-a' },
    more: { lengthMm: 1_500 },
  },
  { name: 'USB-C cable, 2 m', category: 'cable', facts: { endA: 'usb-c', endB: 'usb-c' }, more: { lengthMm: 2_000 } },
  {
    name: '3.5 mm jack cable',
    category: 'cable',
    facts: { endA: 'trs-35', endB: 'trs-35' },
    more: { lengthMm: 1_000 },
  },
  { name: 'BNC cable, 5 m', category: 'cable', facts: { endA: 'bnc', endB: 'bnc' }, more: { lengthMm: 5_000 } },
  { name: 'Mains lead, C7', category: 'lead', facts: { inlet: 'iec-c7' }, more: { lengthMm: 1_800 } },
  { name: 'Mains lead, C13', category: 'lead', facts: { inlet: 'iec-c13' }, more: { lengthMm: 1_800 } },
  { name: 'Bar clamp with spigot', category: 'clamp', facts: { mount: 'bar', loadGrams: 15_000 } },
  { name: 'Power strip, 4 ways', category: 'strip', facts: { outlets: 4 } },
  { name: 'Power strip, 6 ways', category: 'strip', facts: { outlets: 6 } },
  { name: 'AA cell', category: 'cell', facts: { battery: 'cell-aa', massGrams: 24 } },
  { name: '9 V cell', category: 'cell', facts: { battery: 'cell-9v', massGrams: 46 } },
  {
    name: 'SD card, 64 GB, V30',
    category: 'card',
    facts: { capacityMegabytes: 64_000, cardMegabytesPerSecond: 30, massGrams: 2 },
  },
  {
    name: 'SD card, 128 GB, V30',
    category: 'card',
    facts: { capacityMegabytes: 128_000, cardMegabytesPerSecond: 30, massGrams: 2 },
  },
  {
    name: 'SD card, 128 GB, V60',
    category: 'card',
    facts: { capacityMegabytes: 128_000, cardMegabytesPerSecond: 60, massGrams: 2 },
  },
  { name: 'Card reader', category: 'reader', facts: {} },
  { name: 'Portable drive, 2 TB', category: 'drive', facts: { capacityMegabytes: 2_000_000 } },
  { name: 'Light stand', category: 'stand', facts: { loadGrams: 6_000 }, more: { heightMaxMm: 2_600 } },
  { name: 'C-stand with arm', category: 'c-stand', facts: { loadGrams: 10_000 }, more: { heightMaxMm: 3_000 } },
  { name: 'Microphone stand', category: 'mic-stand', facts: { loadGrams: 2_000 } },
  { name: 'Tripod with head', category: 'tripod', facts: { loadGrams: 8_000 } },
  { name: 'Friction arm', category: 'friction-arm', facts: { loadGrams: 1_500 } },
  { name: 'Overhead arm with its base', category: 'arm', facts: { loadGrams: 2_000, massGrams: 4_000 } },
  { name: 'Phone holder', category: 'phone-holder', facts: { massGrams: 90 } },
  { name: 'Super clamp', category: 'clamp', facts: {} },
  { name: 'Sandbag, 7 kg', category: 'sandbag', facts: { massGrams: 7_000 } },
  { name: 'Apple box, full', category: 'apple-box', facts: {} },
  { name: 'LED panel on mains', category: 'panel', facts: { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_300 } },
  { name: 'Softbox, 60 × 90 cm', category: 'modifier', facts: {}, more: { diameterMm: 900 } },
  { name: 'Reflector, 5 in 1', category: 'modifier', facts: {}, more: { diameterMm: 1_100 } },
  { name: 'Clip microphone', category: 'lavalier', facts: {} },
  { name: 'Shotgun microphone', category: 'shotgun', facts: {} },
  { name: 'Headphones, closed', category: 'headphones', facts: {} },
  { name: 'Paper backdrop, 2.72 m', category: 'backdrop', facts: {}, more: { material: 'paper', creases: 'somewhat' } },
  { name: 'Grey card', category: 'colour-card', facts: {} },
  { name: 'Clapper', category: 'clapper', facts: {} },
  { name: 'Gaffer tape, 50 mm', category: 'consumable', facts: {} },
  { name: 'Laptop', category: 'computer', facts: {} },
  {
    name: 'Smartphone',
    category: 'phone',
    facts: { massGrams: 190 },
    more: { autofocus: 'dependable', closestMm: 100, flipScreen: 'yes', remoteStart: 'yes' },
  },
  { name: 'Table', category: 'furniture', facts: {} },
  { name: 'Camera bag', category: 'case', facts: {} },
]
