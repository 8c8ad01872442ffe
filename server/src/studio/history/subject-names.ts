import type { SubjectType } from '@exemplar/core'
import type { Database } from '../../foundation/database/database.ts'

/** Where the name of a subject stands; null for what has none of its own. */
const NAMES: Readonly<Record<SubjectType, string | null>> = {
  studio: null,
  person: 'SELECT name FROM people WHERE id = ?',
  party: 'SELECT name FROM parties WHERE id = ?',
  place: 'SELECT name FROM places WHERE id = ?',
  interface: 'SELECT label FROM interfaces WHERE code = ?',
  model: "SELECT trim(maker || ' ' || name) FROM models WHERE id = ?",
  unit: "SELECT u.tag || ' ' || trim(m.maker || ' ' || m.name) FROM units u JOIN models m ON m.id = u.model_id WHERE u.id = ?",
  stock:
    "SELECT s.tag || ' ' || trim(m.maker || ' ' || m.name) FROM stock s JOIN models m ON m.id = s.model_id WHERE s.id = ?",
  setup: 'SELECT name FROM setups WHERE id = ?',
  booking: 'SELECT title FROM bookings WHERE id = ?',
  fault: 'SELECT note FROM faults WHERE id = ?',
  'service-plan': 'SELECT name FROM service_plans WHERE id = ?',
  repair: "SELECT 'the repair of ' || u.tag FROM repairs r JOIN units u ON u.id = r.unit_id WHERE r.id = ?",
  incident: 'SELECT what FROM incidents WHERE id = ?',
  entry: 'SELECT description FROM entries WHERE id = ?',
  budget: null,
  'shopping-line': 'SELECT item FROM shopping_lines WHERE id = ?',
  wish: "SELECT trim(m.maker || ' ' || m.name) FROM wishes w JOIN models m ON m.id = w.model_id WHERE w.id = ?",
  decision: 'SELECT about FROM decisions WHERE id = ?',
  'kit-plan': 'SELECT name FROM kit_plans WHERE id = ?',
  attachment: 'SELECT name FROM attachments WHERE id = ?',
  film: 'SELECT title FROM films WHERE id = ?',
  'saved-view': 'SELECT name FROM saved_views WHERE id = ?',
  stocktake:
    "SELECT 'the count of ' || coalesce(p.name, 'everything') FROM stocktakes s LEFT JOIN places p ON p.id = s.place_id WHERE s.id = ?",
  snapshot: 'SELECT name FROM snapshots WHERE id = ?',
}

export function nameOfSubject({ $client }: Database, type: SubjectType, id: string): string {
  const query = NAMES[type]
  const name = query ? $client.prepare(query).pluck().get(id) : undefined
  return typeof name === 'string' ? name : type === 'studio' ? 'the settings' : id
}
