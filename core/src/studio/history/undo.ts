/** What cannot be taken back with Undo, said before it is done. */
export const CANNOT_UNDO = {
  restore:
    'Restoring replaces everything that is here now. A backup of it is made first; restoring that one is the way back.',
  'sign-out-everywhere': 'Signing out everywhere ends every session of this person. They sign in again.',
  'reset-password': 'The old password stops working at once. It cannot be brought back.',
  'change-access': 'Who may do what is not taken back with Undo; change it again instead.',
  'drop-backup': 'A backup that is deleted is gone.',
} as const
export type CannotUndo = keyof typeof CANNOT_UNDO

/** Before images are kept so long; older changes stand in the history but can no longer be taken back. */
export const UNDO_DAYS = 90
