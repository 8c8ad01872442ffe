// @vitest-environment jsdom
import { screen } from '@testing-library/react'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { SafePage } from '../backup/backup-page.tsx'
import { ConfirmSheet } from './confirm-sheet.tsx'

const ME = {
  person: { id: 'imke', name: 'Imke' },
  role: 'manager',
  isOwner: true,
  needsOwner: false,
  canStepIn: false,
  isEmpty: false,
  confirmedUntil: null,
  hasSecondFactor: false,
}
const BACKUP = { name: 'exemplar-20261124-080000.zip', bytes: 70_000, takenAt: 0, kind: 'hand' }
const CHECK = {
  takenAt: 0,
  units: 3,
  files: 1,
  lastChangeAt: 0,
  lost: 2,
  isOwn: true,
  missingFiles: 0,
  accounts: [],
  here: { units: 3, changes: 9, lastChangeAt: 0 },
}

function showBackups(more: object = {}) {
  return show(
    <>
      <ConfirmSheet />
      <SafePage />
    </>,
    {
      'GET /access/me': ME,
      'GET /backups': { backups: [BACKUP], isThere: true },
      [`GET /backups/${BACKUP.name}/check`]: CHECK,
      [`POST /backups/${BACKUP.name}/restore`]: {
        problem: { status: 403, detail: 'Sign in once more.', report: { needsConfirmation: true } },
      },
      'POST /access/confirm': { confirmedUntil: 1 },
      ...more,
    },
  )
}

it('what is refused until one shows who it is waits for that, and is sent again by itself', async () => {
  const { hands, asked } = showBackups()
  await hands.click(await screen.findByRole('button', { name: /^Restore/ }))
  await hands.click(screen.getByRole('button', { name: 'Look at it first' }))
  await hands.click(await screen.findByRole('button', { name: 'Restore, and lose 2 changes' }))
  await hands.type(await screen.findByLabelText('Your password'), 'ferns behind the glass{Enter}')
  const restores = () => asked.filter((it) => it.path.endsWith('/restore'))
  await vi.waitFor(() => expect(restores()).toHaveLength(2))
  expect(restores().map((it) => it.body)).toEqual([
    { lost: 2, withAccounts: false },
    { lost: 2, withAccounts: false },
  ])
  expect(asked.find((it) => it.path === '/access/confirm')?.body).toEqual({
    password: 'ferns behind the glass',
    code: '',
  })
})

it('whoever closes the sheet does nothing, and is told so', async () => {
  const { hands, asked } = showBackups()
  await hands.click(await screen.findByRole('button', { name: /^Restore/ }))
  await hands.click(screen.getByRole('button', { name: 'Look at it first' }))
  await hands.click(await screen.findByRole('button', { name: 'Restore, and lose 2 changes' }))
  await screen.findByLabelText('Your password')
  await hands.keyboard('{Escape}')
  await screen.findByText('Sign in once more.')
  expect(asked.filter((it) => it.path.endsWith('/restore'))).toHaveLength(1)
})

it('a foreign backup is for the owner alone, who says whether its people come along', async () => {
  const foreign = { ...CHECK, isOwn: false, accounts: [{ name: 'Rune', signInName: 'rune', role: 'crew' }] }
  const { hands, asked } = showBackups({
    [`GET /backups/${BACKUP.name}/check`]: foreign,
    [`POST /backups/${BACKUP.name}/restore`]: { lost: 2, safety: BACKUP },
  })
  await hands.click(await screen.findByRole('button', { name: /^Restore/ }))
  await hands.click(screen.getByRole('button', { name: 'Look at it first' }))
  await screen.findByText(/Nothing shows that this house made it as it is/)
  await hands.click(screen.getByRole('checkbox', { name: /Rune \(crew\)/ }))
  await hands.click(screen.getByRole('button', { name: 'Restore, and lose 2 changes' }))
  await vi.waitFor(() =>
    expect(asked.find((it) => it.path.endsWith('/restore'))?.body).toEqual({ lost: 2, withAccounts: true }),
  )
})

it('a manager who is not the owner sees why, and no button', async () => {
  const { hands } = showBackups({
    'GET /access/me': { ...ME, isOwner: false },
    [`GET /backups/${BACKUP.name}/check`]: { ...CHECK, isOwn: false },
  })
  await hands.click(await screen.findByRole('button', { name: /^Restore/ }))
  await hands.click(screen.getByRole('button', { name: 'Look at it first' }))
  await screen.findByText(/Only the owner may restore it/)
  expect(screen.queryByRole('button', { name: /lose 2/ })).toBeNull()
})
