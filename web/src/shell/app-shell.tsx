import type { Action } from '@exemplar/core'
import { Boxes, CalendarDays, Clapperboard, Plus, ReceiptText, ScanLine, Settings, Sun, Wrench } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { Suspense, useMemo, useState } from 'react'
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router'
import { useLive } from '../foundation/api/live.ts'
import { useMay } from '../foundation/api/session.ts'
import { useAppDispatch } from '../foundation/api/store.ts'
import { tellTrouble } from '../foundation/api/toasts.ts'
import { useRefuseUnread } from '../foundation/form/refuse-unread.ts'
import { ErrorBoundary } from '../foundation/parts/error-boundary.tsx'
import { Loading } from '../foundation/parts/page-parts.tsx'
import { useScanHandler, useWedgeScanner } from '../foundation/parts/scanning.ts'
import { ShortcutList, useShortcuts } from '../foundation/parts/shortcuts.tsx'
import { Toaster } from '../foundation/parts/toaster.tsx'
import { MENU, MENU_ITEM } from '../foundation/words/menu.ts'
import { useOpenThing } from '../kit/labels/use-open-thing.ts'
import { ConfirmSheet } from '../studio/access/confirm-sheet.tsx'
import { FindBox } from './find-box.tsx'
import { PersonMenu } from './person-menu.tsx'

const RAIL: { to: string; name: string; Icon: typeof Sun; action: Action }[] = [
  { to: '/today', name: 'Today', Icon: Sun, action: 'see-studio' },
  { to: '/kit', name: 'Kit', Icon: Boxes, action: 'see-studio' },
  { to: '/setups', name: 'Setups', Icon: Clapperboard, action: 'see-studio' },
  { to: '/diary', name: 'Diary', Icon: CalendarDays, action: 'see-studio' },
  { to: '/bench', name: 'Bench', Icon: Wrench, action: 'see-studio' },
  { to: '/ledger', name: 'Ledger', Icon: ReceiptText, action: 'see-money' },
]

const RAIL_LINK =
  'relative flex shrink-0 flex-col items-center gap-[3px] px-2 py-2 text-[12px] font-medium text-quiet no-underline aria-[current=page]:bg-sheet aria-[current=page]:font-bold aria-[current=page]:text-ink md:items-start md:py-[9px] md:pl-[14px] md:aria-[current=page]:-mr-px md:aria-[current=page]:border-y md:aria-[current=page]:border-rule md:aria-[current=page]:before:absolute md:aria-[current=page]:before:inset-y-2 md:aria-[current=page]:before:left-0 md:aria-[current=page]:before:w-1 md:aria-[current=page]:before:bg-ink'

export function AppShell() {
  const [isFinding, setFinding] = useState(false)
  const [isHelping, setHelping] = useState(false)
  const [isAdding, setAdding] = useState(false)
  const location = useLocation()
  const actions = useMemo(
    () => ({ find: () => setFinding(true), help: () => setHelping(true), add: () => setAdding(true) }),
    [],
  )
  useShortcuts(actions)
  useRefuseUnread()
  const live = useLive()
  const openThing = useOpenThing()
  const dispatch = useAppDispatch()
  useWedgeScanner()
  useScanHandler((tag) => {
    openThing(tag).then(
      (isThere) => isThere || dispatch(tellTrouble(`No thing has the tag ${tag}.`)),
      () => {},
    )
    return true
  })
  const may = useMay()
  return (
    <div className="flex min-h-dvh flex-col-reverse md:grid md:grid-cols-[96px_1fr] print:block">
      <a href="#page" className="sr-only focus:not-sr-only focus:fixed focus:z-60 focus:bg-sheet focus:p-3">
        Skip to the page
      </a>
      <nav
        aria-label="Rooms"
        className="no-print sticky bottom-0 z-30 flex h-14 justify-around border-t border-rule bg-ground md:top-0 md:h-dvh md:flex-col md:justify-start md:gap-0.5 md:border-t-0 md:border-r md:py-3"
      >
        <span className="hidden pb-3 pl-[14px] text-[15px] font-extrabold tracking-tight md:block">Exemplar</span>
        {RAIL.filter((it) => may(it.action)).map(({ to, name, Icon }) => (
          <NavLink key={to} to={to} className={RAIL_LINK}>
            <Icon className="size-[18px]" strokeWidth={1.7} aria-hidden />
            {name}
          </NavLink>
        ))}
        <span className="hidden flex-1 md:block" />
        <NavLink to="/studio" className={`${RAIL_LINK} hidden md:flex`}>
          <Settings className="size-[18px]" strokeWidth={1.7} aria-hidden />
          Studio
        </NavLink>
        <PersonMenu
          onKeys={() => setHelping(true)}
          className="hidden w-full flex-col items-start gap-[3px] py-[9px] pl-[14px] text-left text-[12px] font-medium text-quiet md:flex"
        />
      </nav>
      <div className="flex min-w-0 flex-1 flex-col">
        <header className="no-print sticky top-0 z-20 flex h-12 flex-none items-center gap-2.5 border-b border-rule bg-ground px-4 md:px-5">
          <FindBox open={isFinding} onOpenChange={setFinding} />
          <span className="ml-auto flex items-center gap-1 md:gap-2">
            {live === 'away' && (
              <span role="status" className="text-[12px] whitespace-nowrap text-warn">
                Not connected
              </span>
            )}
            <NavLink to="/scan" aria-label="Scan a label" className="p-2 text-quiet">
              <ScanLine className="size-[18px]" aria-hidden />
            </NavLink>
            <NavLink to="/studio" aria-label="Studio" className="p-2 text-quiet md:hidden">
              <Settings className="size-[18px]" aria-hidden />
            </NavLink>
            <PersonMenu onKeys={() => setHelping(true)} className="p-2 text-quiet md:hidden" />
            <AddMenu open={isAdding} onOpenChange={setAdding} />
          </span>
        </header>
        <main id="page" tabIndex={-1} className="flex min-w-0 flex-1 flex-col outline-none">
          <ErrorBoundary key={location.pathname}>
            <Suspense fallback={<Loading what="the page" />}>
              <Outlet />
            </Suspense>
          </ErrorBoundary>
        </main>
      </div>
      <ShortcutList open={isHelping} onClose={() => setHelping(false)} />
      <ConfirmSheet />
      <Toaster />
    </div>
  )
}

const ADDABLE: readonly [name: string, to: string, action: Action][] = [
  ['A thing', '/kit?add=thing', 'change-kit'],
  ['Things from a file', '/kit/import', 'change-kit'],
  ['A setup', '/setups?add=setup', 'change-setups'],
  ['A booking', '/diary?add=booking', 'book-pencilled'],
  ['Spending', '/ledger?add=entry', 'change-ledger'],
]

function AddMenu({ open, onOpenChange }: { open: boolean; onOpenChange(open: boolean): void }) {
  const navigate = useNavigate()
  const may = useMay()
  const items = ADDABLE.filter(([, , action]) => may(action))
  if (items.length === 0) return null
  return (
    <DropdownMenu.Root open={open} onOpenChange={onOpenChange}>
      <DropdownMenu.Trigger className="inline-flex h-[30px] items-center gap-1.5 rounded-paper border border-ink bg-ink px-[11px] text-[13px] font-semibold text-ground">
        <Plus className="size-[15px]" aria-hidden />
        Add
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className={MENU}>
          {items.map(([name, to]) => (
            <DropdownMenu.Item key={to} className={MENU_ITEM} onSelect={() => navigate(to)}>
              {name}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
