import type { Party } from '@exemplar/core'

export const PARTY_NAMES: Record<Party['kind'], string> = {
  vendor: 'Vendor',
  lender: 'Lender',
  client: 'Client',
  repairer: 'Repairer',
}
