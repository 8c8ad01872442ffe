import { Button } from '../parts/button.tsx'
import { ConflictPanel } from './conflict.tsx'
import { FormProblem } from './field.tsx'
import type { Saving } from './use-saving.ts'

/** The foot of every form that is saved as a whole: what stands in the way, and the button. */
export function SavingFoot({
  saving: { problem, conflict, isSaving, clear },
  act,
  isLocked = false,
  onMine,
  onTheirs,
}: {
  saving: Saving
  act: string
  /** Something that has to be chosen first is not. */
  isLocked?: boolean
  /** Saves on top of the version that somebody else made. */
  onMine(version: number): void
  /** Lets go of what was typed. */
  onTheirs(): void
}) {
  return (
    <>
      {conflict && (
        <ConflictPanel
          conflict={conflict}
          onMine={onMine}
          onTheirs={() => {
            clear()
            onTheirs()
          }}
        />
      )}
      <FormProblem text={problem?.detail ?? null} />
      <Button look="act" type="submit" className="w-fit" disabled={isSaving || isLocked}>
        {act}
      </Button>
    </>
  )
}
