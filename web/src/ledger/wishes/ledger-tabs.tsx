import { NavLink } from 'react-router'

const TABS = [
  ['/ledger', 'Spending'],
  ['/ledger/wishes', 'Wishes'],
  ['/ledger/hindrances', 'What holds us back'],
  ['/ledger/plan', 'Upgrade plan'],
  ['/ledger/decide', 'Decide'],
] as const

/** The pages of the ledger. */
export function LedgerTabs() {
  return (
    <nav aria-label="Ledger" className="no-print mt-2 flex gap-x-5 overflow-x-auto border-b border-rule px-4 md:px-5">
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
