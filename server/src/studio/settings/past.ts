import { findDate } from '@exemplar/core'
import { refuseField } from '../../foundation/base/problem.ts'
import type { Writer } from '../../foundation/database/app-context.ts'
import { loadStudio } from './settings-routes.ts'

/** What is written down was done: not on a day to come. */
export function requirePast({ tx, now }: Writer, on: string): void {
  if (on > findDate(now, loadStudio(tx).zone)) throw refuseField('/on', 'This day is still to come.')
}
