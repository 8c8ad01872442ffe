import { useEffect, useRef } from 'react'
import { NavLink } from 'react-router'

const TABS = [
  ['/ledger', 'Spending'],
  ['/ledger/wishes', 'Wishes'],
  ['/ledger/hindrances', 'What holds us back'],
  ['/ledger/plan', 'Upgrade plan'],
  ['/ledger/kits', 'Kits'],
  ['/ledger/decide', 'Decide'],
  ['/ledger/sales', 'For sale'],
  ['/ledger/assets', 'Book value'],
] as const

/** The pages of the ledger. */
export function LedgerTabs() {
  const nav = useRef<HTMLElement>(null)
  // On a phone the later ones lie beyond the edge: the page that one is on is in sight. A page of a test cannot scroll.
  useEffect(() => {
    // What it returns is not to be done when the page goes: newer browsers give a promise.
    nav.current?.querySelector('[aria-current=page]')?.scrollIntoView?.({ block: 'nearest' })
  }, [])
  return (
    <nav
      ref={nav}
      aria-label="Ledger"
      className="no-print mt-2 flex gap-x-5 overflow-x-auto border-b border-rule px-4 md:px-5"
    >
      {TABS.map(([to, name]) => (
        <NavLink
          key={to}
          to={to}
          end
          className={({ isActive }) =>
            `-mb-px flex min-h-9 items-center border-b-2 text-[13px] whitespace-nowrap no-underline ${isActive ? 'border-ink font-bold text-ink' : 'border-transparent text-quiet'}`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  )
}
