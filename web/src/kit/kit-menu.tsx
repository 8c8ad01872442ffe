import type { Action, KitFilter } from '@exemplar/core'
import { DropdownMenu } from 'radix-ui'
import { useNavigate } from 'react-router'
import { useMay } from '../foundation/api/session.ts'
import { MoreMenu } from '../foundation/parts/more-menu.tsx'
import { MENU_ITEM } from '../foundation/words/menu.ts'

interface Entry {
  label: string
  path: string
  action: Action
}

const PAGES: readonly Entry[] = [
  { label: 'Count a place', path: '/kit/count', action: 'see-studio' },
  { label: 'Take in a bundle', path: '/kit/bundle', action: 'change-kit' },
  { label: 'Models', path: '/kit/models', action: 'see-studio' },
  { label: 'Open questions', path: '/kit/questions', action: 'see-studio' },
  { label: 'Look here before buying', path: '/kit/able', action: 'see-studio' },
  { label: 'Find a cable', path: '/kit/cables', action: 'see-studio' },
  { label: 'Connectors', path: '/kit/interfaces', action: 'see-studio' },
  { label: 'Mounts and systems', path: '/kit/systems', action: 'see-studio' },
  { label: 'Use and value', path: '/kit/figures', action: 'see-studio' },
  { label: 'Obligations', path: '/kit/duties', action: 'see-studio' },
  { label: 'Insurance schedule', path: '/kit/schedule', action: 'see-money' },
  { label: 'Compare dates', path: '/kit/then', action: 'see-studio' },
]

/** Keeps a file that the server makes; a link of its own would leave the page. */
export function keepFile(path: string): void {
  const link = document.createElement('a')
  link.href = path
  link.download = ''
  link.click()
}

/** What else can be done with the kit, and the kit as files. */
export function KitMenu({ filter }: { filter: KitFilter }) {
  const navigate = useNavigate()
  const may = useMay()
  const query = new URLSearchParams(
    Object.entries(filter).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]])),
  ).toString()
  return (
    <MoreMenu>
      {PAGES.filter((it) => may(it.action)).map(({ label, path }) => (
        <DropdownMenu.Item key={path} className={MENU_ITEM} onSelect={() => navigate(path)}>
          {label}
        </DropdownMenu.Item>
      ))}
      <DropdownMenu.Separator className="my-1 border-t border-rule" />
      <DropdownMenu.Item
        className={MENU_ITEM}
        onSelect={() => keepFile(`/api/export/inventory.csv${query && `?${query}`}`)}
      >
        Keep this view as a list (CSV)
      </DropdownMenu.Item>
      {may('change-kit') && (
        <DropdownMenu.Item className={MENU_ITEM} onSelect={() => keepFile('/api/export/kit.json')}>
          Keep the whole kit as a file (JSON)
        </DropdownMenu.Item>
      )}
    </MoreMenu>
  )
}
