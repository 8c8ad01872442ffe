import type { Action } from '@exemplar/core'
import { Suspense } from 'react'
import { NavLink, Outlet } from 'react-router'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'
import { Loading, PageHead } from '../../foundation/parts/page-parts.tsx'
import { HealthNotice } from '../backup/health-notice.tsx'

const SECTIONS: readonly [to: string, name: string, action: Action][] = [
  ['people', 'People', 'see-studio'],
  ['places', 'Places', 'see-studio'],
  ['policies', 'Policies', 'see-studio'],
  ['settings', 'Settings', 'change-settings'],
  ['access', 'Access', 'manage-access'],
  ['safe', 'Backups', 'keep-safe'],
  ['history', 'History', 'see-studio'],
  ['archive', 'Archive', 'see-studio'],
  ['words', 'Glossary', 'see-studio'],
]

/** The ground under the team: its people, places, rules, access, safety and memory. */
export function StudioPage() {
  const { data: studio } = useStudioQuery()
  const may = useMay()
  return (
    <>
      <PageHead title="Studio" aside={studio?.name} />
      <nav aria-label="Studio" className="no-print mt-3 flex gap-x-4 overflow-x-auto border-b border-rule px-4 md:px-5">
        {SECTIONS.filter(([, , action]) => may(action)).map(([to, name]) => (
          <NavLink
            key={to}
            to={to}
            className="-mb-px border-b-2 border-transparent py-1.5 text-[13px] whitespace-nowrap text-quiet no-underline aria-[current=page]:border-ink aria-[current=page]:font-bold aria-[current=page]:text-ink"
          >
            {name}
          </NavLink>
        ))}
      </nav>
      <div className="px-4 pb-8 md:px-5">
        {may('keep-safe') && <HealthNotice />}
        <Suspense fallback={<Loading what="the page" />}>
          <Outlet />
        </Suspense>
      </div>
    </>
  )
}
