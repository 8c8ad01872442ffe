import { ButtonLink } from './button.tsx'

export function LostPage() {
  return (
    <div className="p-6">
      <h1>There is no such page</h1>
      <p className="mt-2 text-quiet">The address may be mistyped, or what stood here was archived.</p>
      <ButtonLink to="/today" look="act" className="mt-4">
        Go to Today
      </ButtonLink>
    </div>
  )
}
