import { expect, test } from 'vitest'
import { sayDevice } from './device-words.ts'

// As browsers of the kind say of themselves (common practice; the versions are made up).
test.each([
  ['Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36', 'computer'],
  ['Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X) AppleWebKit/605.1.15 Mobile/15E148 Safari/604.1', 'phone'],
  ['Mozilla/5.0 (Linux; Android 16) AppleWebKit/537.36 Chrome/140.0.0.0 Mobile Safari/537.36', 'phone'],
  ['Mozilla/5.0 (Linux; Android 16) AppleWebKit/537.36 Chrome/140.0.0.0 Safari/537.36', 'tablet'],
  ['Mozilla/5.0 (iPad; CPU OS 19_0 like Mac OS X) AppleWebKit/605.1.15 Mobile/15E148', 'tablet'],
  ['node', 'program'],
  ['', ''],
])('%s', (agent, kind) => expect(sayDevice(agent)).toBe(kind))
