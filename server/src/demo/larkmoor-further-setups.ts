import type { NewSetup } from '@exemplar/core'
import { at, makeSetup, stated } from './larkmoor-setups.ts'

/** The three setups that run as they stand. */
export const FURTHER_SETUPS: readonly (NewSetup & { id: string })[] = [
  makeSetup(
    'vo',
    'plum',
    'Potting-shed booth',
    'Voice-over, one voice into a computer',
    'booth',
    'bo-1',
    60,
    [
      {
        group: 'sound',
        name: 'Voice',
        wants: 'microphone',
        detail: '15 cm, a little to the side',
        things: ['MIC-06', 'MST-03', 'CBL-09'],
        rest: at(150),
      },
      { group: 'sound', name: 'Recording', wants: 'audio-interface', things: ['AIF-01', 'CBL-10'] },
      { group: 'sound', name: 'Computer', wants: 'computer', things: ['COM-01', 'LED-07'] },
    ],
    { purposeKind: 'voice-over', speakers: 1 },
  ),
  makeSetup(
    'mw',
    'straw',
    'Meadow walk',
    'Walk and talk with a gimbal',
    null,
    null,
    45,
    [
      {
        group: 'camera',
        name: 'Camera',
        wants: 'camera',
        detail: 'in one hand',
        things: ['CAM-07', 'LEN-09', 'SDC-10', 'PAK-C1', 'PAK-C2', 'GIM-01'],
      },
      {
        group: 'sound',
        name: 'Voice',
        wants: 'microphone',
        detail: 'worn',
        with: 1,
        things: ['WLS-01', '2×CEL-03'],
      },
    ],
    { purposeKind: 'walk-and-talk', speakers: 1, carriers: 1 },
  ),
  makeSetup(
    'sc',
    'slate',
    'Seeds under the lens',
    'Seeds and leaves at life size',
    'seed-room',
    'sr-1',
    45,
    [
      {
        group: 'camera',
        name: 'Camera',
        wants: 'camera',
        detail: 'straight down',
        things: ['CAM-08', 'LEN-10', 'SDC-11', 'PAK-C3', 'PAK-C4', 'ARM-02'],
      },
      { group: 'light', name: 'Left', wants: 'light', things: ['LGT-09', 'STD-06', 'LED-08'] },
      { group: 'light', name: 'Right', wants: 'light', things: ['LGT-10', 'STD-07', 'LED-09'] },
      { group: 'set', name: 'Bench', wants: 'table', things: ['FUR-02'] },
    ],
    {
      purposeKind: 'close-up',
      ...stated('CAM-08/foot>ARM-02/carries', 'LGT-09/receiver>STD-06/carries', 'LGT-10/receiver>STD-07/carries'),
    },
  ),
]
