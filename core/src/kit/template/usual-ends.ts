import type { Category } from '../model/category.ts'
import type { EndFact, TemplateFacts } from './template-facts.ts'

type EndFacts = Partial<Pick<TemplateFacts, EndFact | 'videoInputs' | 'soundInputs'>>

/**
 * The ends that a thing of a kind usually has, where nobody says otherwise. Common practice: a form shows them as what is
 * usual, and whoever has another says so there.
 */
export const USUAL_ENDS: Readonly<Partial<Record<Category, EndFacts>>> = {
  camera: { videoOut: 'hdmi-a', soundIn: 'trs-35', soundInputs: 1 },
  camcorder: { videoOut: 'hdmi-a', soundIn: 'xlr-3', soundInputs: 2 },
  monitor: { videoIn: 'hdmi-a', videoInputs: 1 },
  'desk-monitor': { videoIn: 'hdmi-a', videoInputs: 2 },
  television: { videoIn: 'hdmi-a', videoInputs: 2 },
  'external-recorder': { videoIn: 'hdmi-a', videoInputs: 1 },
  switcher: { videoIn: 'hdmi-a', videoInputs: 4, videoOut: 'hdmi-a' },
  capture: { videoIn: 'hdmi-a', videoInputs: 1 },
  converter: { videoIn: 'hdmi-a', videoInputs: 1, videoOut: 'bnc' },
  splitter: { videoIn: 'hdmi-a', videoInputs: 1, videoOut: 'hdmi-a' },
  'video-link': { videoIn: 'hdmi-a', videoInputs: 1, videoOut: 'hdmi-a' },
  microphone: { soundOut: 'xlr-3' },
  shotgun: { soundOut: 'xlr-3' },
  'dynamic-mic': { soundOut: 'xlr-3' },
  'boundary-mic': { soundOut: 'xlr-3' },
  lavalier: { soundOut: 'trs-35' },
  headset: { soundOut: 'trrs-35' },
  'camera-mic': { soundOut: 'trs-35' },
  'input-unit': { soundIn: 'xlr-3', soundInputs: 2, soundOut: 'trs-35' },
  'wireless-set': { soundIn: 'trs-35', soundInputs: 1, soundOut: 'trs-35' },
  preamp: { soundIn: 'xlr-3', soundInputs: 1, soundOut: 'xlr-3' },
  recorder: { soundIn: 'xlr-3', soundInputs: 2, soundOut: 'trs-35' },
  mixer: { soundIn: 'xlr-3', soundInputs: 4, soundOut: 'xlr-3' },
  'audio-interface': { soundIn: 'xlr-3', soundInputs: 2, soundOut: 'trs-63' },
  speaker: { soundIn: 'xlr-3', soundInputs: 1 },
}
