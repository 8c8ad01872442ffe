import {
  applyRemedy,
  computeFingerprint,
  type Finding,
  type NewSetup,
  type Remedy,
  type Setup,
  type SetupReply,
  sayRemedy,
} from '@exemplar/core'
import { useRef, useState } from 'react'
import { useAddShoppingLineMutation, useChangeSetupMutation } from '../foundation/api/api.ts'
import { readProblem } from '../foundation/api/problem.ts'
import { useMeQuery } from '../foundation/api/session.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellDone } from '../foundation/api/tell-done.ts'
import { tell, tellTrouble } from '../foundation/api/toasts.ts'
import { type Conflict, readConflict } from '../foundation/form/conflict.tsx'
import { useTimeWords } from '../foundation/words/time-words.ts'
import { toDraft } from './setup-draft.ts'

/** Changes to one setup, each as a whole, told in a note and taken back from it. */
export function useSetupChanges(setup: SetupReply | undefined) {
  const [change, { isLoading }] = useChangeSetupMutation()
  const [addLine] = useAddShoppingLineMutation()
  const dispatch = useAppDispatch()
  const { today } = useTimeWords()
  const { data: me } = useMeQuery()
  /** What somebody else did meanwhile, and what was to be saved. */
  const [conflict, setConflict] = useState<{ conflict: Conflict; next: NewSetup; text: string } | null>(null)
  /** What was saved last: the page may still show the version before it when the next button is pressed. */
  const saved = useRef<Setup | null>(null)

  /** Saves what was made from `base`; somebody else's change in between is refused, never overwritten. */
  const save = async (next: NewSetup, text: string, base: Setup | undefined = setup): Promise<Setup | null> => {
    if (!base) return null
    try {
      const { id, version } = base
      const after = await change({ id, version, body: toDraft(next) }).unwrap()
      saved.current = after
      setConflict(null)
      const before = toDraft(base)
      const undo = () =>
        change({ id, version: after.version, body: before })
          .unwrap()
          .then((restored) => {
            saved.current = restored
            dispatch(tell('Taken back.'))
          })
          .catch((error) => dispatch(tellTrouble(readProblem(error).detail)))
      dispatch(tell(text, undo))
      return after
    } catch (error) {
      const clash = readConflict(error)
      setConflict(clash && { conflict: clash, next, text })
      if (!clash) dispatch(tellTrouble(readProblem(error).detail))
      return null
    }
  }

  /** The setup as it was saved last from here, where the page still shows the version before. */
  const latest = <T extends Setup>(shown: T): T =>
    saved.current && saved.current.id === shown.id && saved.current.version > shown.version
      ? { ...shown, ...saved.current }
      : shown

  const carryOut = async (remedy: Remedy, reason: string, roleId: string | null = null): Promise<void> => {
    if (!setup) return
    if (remedy.kind !== 'shop') {
      const base = latest(setup)
      await save(applyRemedy(toDraft(base), remedy), `Done: ${sayRemedy(remedy)}.`, base)
      return
    }
    const { item, quantity, stockId } = remedy
    try {
      const group = setup.roles.find((role) => role.id === roleId)?.group ?? null
      const line = { item, quantity, stockId, setupId: setup.id, group, reason: `${reason} (${setup.name})` }
      tellDone(dispatch, `${quantity} × ${item} is on the shopping list.`, await addLine(line).unwrap())
    } catch (error) {
      dispatch(tellTrouble(readProblem(error).detail))
    }
  }

  /** Carries several out as one change, which is taken back as one. */
  const carryOutAll = async (remedies: readonly Remedy[], text: string): Promise<boolean> => {
    if (!setup) return false
    const base = latest(setup)
    return (await save(remedies.reduce<NewSetup>(applyRemedy, toDraft(base)), text, base)) !== null
  }

  /** Accepts a finding as it is now, or, without a reason, counts it again. */
  const accept = async (finding: Finding, reason: string | null, until: string | null = null): Promise<void> => {
    if (!setup) return
    const base = latest(setup)
    const others = base.accepted.filter((it) => it.key !== finding.key)
    const own = {
      key: finding.key,
      fingerprint: computeFingerprint(finding),
      reason: reason ?? '',
      on: today,
      by: me?.person?.name ?? '',
      until,
    }
    const accepted = reason === null ? others : [...others, own]
    await save(
      { ...base, accepted },
      reason === null
        ? 'It counts again.'
        : until
          ? `Accepted until ${until}, or until it changes.`
          : 'Accepted until it changes.',
      base,
    )
  }

  return { save, carryOut, carryOutAll, accept, latest, isLoading, conflict, clearConflict: () => setConflict(null) }
}
