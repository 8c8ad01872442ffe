import type { Action } from '../studio/people/access.ts'

/** What can be begun from anywhere by its name. */
export interface FindAction {
  code: string
  label: string
  /** Other words by which people look for it. */
  words: string
  path: string
  permission: Action
}

export const FIND_ACTIONS: readonly FindAction[] = [
  {
    code: 'add-thing',
    label: 'Add a thing',
    words: 'new gear kit unit',
    path: '/kit?add=thing',
    permission: 'change-kit',
  },
  {
    code: 'import',
    label: 'Import a list',
    words: 'csv spreadsheet inventory',
    path: '/kit/import',
    permission: 'change-kit',
  },
  {
    code: 'labels',
    label: 'Print labels',
    words: 'qr code tag sheet sticker',
    path: '/kit/labels',
    permission: 'see-studio',
  },
  {
    code: 'cables',
    label: 'Find a cable',
    words: 'adapter plug socket connect signal lead route',
    path: '/kit/cables',
    permission: 'see-studio',
  },
  {
    code: 'able',
    label: 'Look here before buying',
    words: 'capability could do instead wish buy own already',
    path: '/kit/able',
    permission: 'see-studio',
  },
  {
    code: 'services',
    label: 'Services and plans',
    words: 'maintenance clean check due upkeep interval',
    path: '/bench/services',
    permission: 'see-studio',
  },
  {
    code: 'supplies',
    label: 'Supplies',
    words: 'consumables cells tape order reorder expiry used up',
    path: '/bench/supplies',
    permission: 'see-studio',
  },
  {
    code: 'reliability',
    label: 'Reliability',
    words: 'mtbf failures spares season risk',
    path: '/bench/reliability',
    permission: 'see-studio',
  },
  {
    code: 'stock',
    label: 'Count stock',
    words: 'stocktake sandbags cells',
    path: '/kit/stock',
    permission: 'count-stock',
  },
  {
    code: 'count',
    label: 'Count a place',
    words: 'stocktake inventory check shelf missing audit',
    path: '/kit/count',
    permission: 'count-stock',
  },
  {
    code: 'bundle',
    label: 'Take in a bundle',
    words: 'kit box receive purchase split price',
    path: '/kit/bundle',
    permission: 'change-kit',
  },
  {
    code: 'models',
    label: 'Models',
    words: 'merge duplicates names aliases',
    path: '/kit/models',
    permission: 'see-studio',
  },
  {
    code: 'interfaces',
    label: 'Connectors',
    words: 'mount battery plate interface fits compatible thread',
    path: '/kit/interfaces',
    permission: 'see-studio',
  },
  {
    code: 'figures',
    label: 'Use and value',
    words: 'utilisation idle cost per use value of setups demand',
    path: '/kit/figures',
    permission: 'see-studio',
  },
  {
    code: 'duties',
    label: 'Obligations',
    words: 'gift sponsor loan return disclosure obligation',
    path: '/kit/duties',
    permission: 'see-studio',
  },
  {
    code: 'schedule',
    label: 'Insurance schedule',
    words: 'insurance asset list serial value print',
    path: '/kit/schedule',
    permission: 'see-money',
  },
  {
    code: 'then',
    label: 'Compare dates',
    words: 'snapshot difference compare old list',
    path: '/kit/then',
    permission: 'see-studio',
  },
  { code: 'scan', label: 'Scan a label', words: 'camera code qr tag', path: '/scan', permission: 'see-studio' },
  {
    code: 'new-setup',
    label: 'Make a setup',
    words: 'new compose',
    path: '/setups?add=setup',
    permission: 'change-setups',
  },
  {
    code: 'resilience',
    label: 'Single points of failure',
    words: 'spare single point of failure resilience backup stand in',
    path: '/setups/resilience',
    permission: 'see-studio',
  },
  {
    code: 'book',
    label: 'Book something',
    words: 'new booking shoot reserve',
    path: '/diary?add=booking',
    permission: 'book-pencilled',
  },
  {
    code: 'spend',
    label: 'Record spending',
    words: 'purchase repair receipt',
    path: '/ledger?add=entry',
    permission: 'change-ledger',
  },
  {
    code: 'people',
    label: 'People',
    words: 'team crew contacts skills',
    path: '/studio/people',
    permission: 'see-studio',
  },
  {
    code: 'places',
    label: 'Places',
    words: 'rooms circuits sockets',
    path: '/studio/places',
    permission: 'see-studio',
  },
  {
    code: 'policies',
    label: 'Policies',
    words: 'settings schools rules',
    path: '/studio/policies',
    permission: 'see-studio',
  },
  {
    code: 'invite',
    label: 'Invite somebody',
    words: 'access password sign in role',
    path: '/studio/access',
    permission: 'manage-access',
  },
  {
    code: 'backup',
    label: 'Back up or restore',
    words: 'backup safe copy export',
    path: '/studio/safe',
    permission: 'keep-safe',
  },
  {
    code: 'history',
    label: 'History',
    words: 'undo log changes who',
    path: '/studio/history',
    permission: 'see-studio',
  },
  {
    code: 'words',
    label: 'Glossary',
    words: 'glossary terms explain',
    path: '/studio/words',
    permission: 'see-studio',
  },
]
