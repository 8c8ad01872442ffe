import { CAMERA_EXAMPLES } from './camera-examples.ts'
import type { ExampleStudio } from './example-studio.ts'
import { SET_EXAMPLES } from './set-examples.ts'
import { SPEECH_EXAMPLES } from './speech-examples.ts'

/** Small studios to start from or to look at, all of them invented. */
export const EXAMPLE_STUDIOS: readonly ExampleStudio[] = [...SPEECH_EXAMPLES, ...CAMERA_EXAMPLES, ...SET_EXAMPLES]
