import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { FIGURE_READERS } from '../kit/model/figure-readers.ts'
import { SPEC_KEYS } from '../kit/model/spec.ts'

const CORE = join(import.meta.dirname, '..')

describe('law 13: nothing is recorded for nothing', () => {
  test.each(SPEC_KEYS)('%s is read by what the list names, or the list says why nobody does', (key) => {
    const entry = FIGURE_READERS[key]
    if ('unread' in entry) {
      expect(entry.unread).toMatch(/^(issue \d+: |words for |kept from )/)
      return
    }
    expect(entry.readBy.length).toBeGreaterThan(0)
    for (const file of entry.readBy) {
      expect(existsSync(join(CORE, file)), file).toBe(true)
      expect(readFileSync(join(CORE, file), 'utf8'), `${file} reads ${key}`).toMatch(new RegExp(`\\b${key}\\b`))
    }
  })
})
