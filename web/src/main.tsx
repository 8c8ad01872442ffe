import '@fontsource-variable/schibsted-grotesk'
import '@fontsource-variable/spline-sans-mono'
import './foundation/tokens.css'
import './foundation/api/plain-zod.ts'
import { type ComponentType, lazy, StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router'
import { store } from './foundation/api/store.ts'
import { applyTheme } from './foundation/parts/theme.ts'
import { AppShell } from './shell/app-shell.tsx'
import { Gate } from './shell/gate.tsx'

applyTheme()

/** Each page is its own file in the build, fetched when it is first opened. */
function page<K extends string>(load: () => Promise<Record<K, ComponentType>>, name: K) {
  const Page = lazy(async (): Promise<{ default: ComponentType }> => ({ default: (await load())[name] }))
  return <Page />
}

const router = createBrowserRouter([
  {
    element: <Gate />,
    children: [
      {
        element: <AppShell />,
        children: [
          { path: '/', element: <Navigate to="/today" replace /> },
          { path: '/today', element: page(() => import('./today/today-page.tsx'), 'TodayPage') },
          { path: '/begin', element: page(() => import('./start/first-hour-page.tsx'), 'FirstHourPage') },
          { path: '/kit', element: page(() => import('./kit/list/kit-page.tsx'), 'KitPage') },
          { path: '/kit/import', element: page(() => import('./kit/import/import-page.tsx'), 'ImportPage') },
          { path: '/kit/cables', element: page(() => import('./setups/views/cables-page.tsx'), 'CablesPage') },
          { path: '/kit/labels', element: page(() => import('./kit/labels/labels-page.tsx'), 'LabelsPage') },
          { path: '/kit/stock', element: page(() => import('./kit/unit/stock-page.tsx'), 'StockPage') },
          { path: '/kit/bundle', element: page(() => import('./kit/model/bundle-page.tsx'), 'BundlePage') },
          { path: '/kit/count', element: page(() => import('./kit/counting/counts-page.tsx'), 'CountsPage') },
          { path: '/kit/count/:id', element: page(() => import('./kit/counting/count-page.tsx'), 'CountPage') },
          { path: '/kit/duties', element: page(() => import('./kit/worth/obligations-page.tsx'), 'DutiesPage') },
          { path: '/kit/figures', element: page(() => import('./kit/worth/use-and-value-page.tsx'), 'FiguresPage') },
          { path: '/kit/interfaces', element: page(() => import('./kit/model/connectors-page.tsx'), 'InterfacesPage') },
          { path: '/kit/able', element: page(() => import('./kit/list/able-page.tsx'), 'AblePage') },
          { path: '/kit/questions', element: page(() => import('./kit/model/questions-page.tsx'), 'QuestionsPage') },
          { path: '/kit/models', element: page(() => import('./kit/model/models-page.tsx'), 'ModelsPage') },
          {
            path: '/kit/schedule',
            element: page(() => import('./kit/worth/insurance-schedule-page.tsx'), 'SchedulePage'),
          },
          { path: '/kit/systems', element: page(() => import('./kit/model/systems-page.tsx'), 'SystemsPage') },
          { path: '/kit/then', element: page(() => import('./kit/counting/compare-dates-page.tsx'), 'ThenPage') },
          { path: '/kit/:id', element: page(() => import('./kit/unit/unit-page.tsx'), 'UnitPage') },
          { path: '/setups', element: page(() => import('./setups/board/setups-page.tsx'), 'SetupsPage') },
          { path: '/setups/examples', element: page(() => import('./start/examples-page.tsx'), 'ExamplesPage') },
          {
            path: '/setups/resilience',
            element: page(() => import('./setups/views/single-points-page.tsx'), 'ResiliencePage'),
          },
          { path: '/setups/cameras', element: page(() => import('./setups/views/cameras-page.tsx'), 'CamerasPage') },
          {
            path: '/setups/:id/minutes',
            element: page(() => import('./setups/views/rig-time-page.tsx'), 'MinutesPage'),
          },
          { path: '/setups/:id/start', element: page(() => import('./setups/views/preflight-page.tsx'), 'StartPage') },
          { path: '/setups/:id/looks', element: page(() => import('./setups/views/variants-page.tsx'), 'LooksPage') },
          { path: '/setups/:id', element: page(() => import('./setups/board/setup-page.tsx'), 'SetupPage') },
          { path: '/diary', element: page(() => import('./diary/diary-page.tsx'), 'DiaryPage') },
          { path: '/diary/:id', element: page(() => import('./diary/booking-page.tsx'), 'BookingPage') },
          { path: '/diary/:id/take-out', element: page(() => import('./diary/take-out-page.tsx'), 'TakeOutPage') },
          {
            path: '/diary/:id/bring-back',
            element: page(() => import('./diary/bring-back-page.tsx'), 'BringBackPage'),
          },
          { path: '/bench/services', element: page(() => import('./bench/services-page.tsx'), 'ServicesPage') },
          { path: '/bench/supplies', element: page(() => import('./bench/supplies-page.tsx'), 'SuppliesPage') },
          { path: '/bench/readings', element: page(() => import('./bench/readings-page.tsx'), 'ReadingsPage') },
          {
            path: '/bench/reliability',
            element: page(() => import('./bench/reliability/reliability-page.tsx'), 'ReliabilityPage'),
          },
          { path: '/bench', element: page(() => import('./bench/bench-page.tsx'), 'BenchPage') },
          { path: '/ledger/wishes', element: page(() => import('./ledger/wishes/wishes-page.tsx'), 'WishesPage') },
          {
            path: '/ledger/hindrances',
            element: page(() => import('./ledger/wishes/hindrances-page.tsx'), 'HindrancesPage'),
          },
          { path: '/ledger/decide', element: page(() => import('./ledger/wishes/decide-page.tsx'), 'DecidePage') },
          { path: '/ledger/sales', element: page(() => import('./ledger/sales/sales-page.tsx'), 'SalesPage') },
          { path: '/ledger/assets', element: page(() => import('./ledger/assets/assets-page.tsx'), 'AssetsPage') },
          { path: '/ledger/kits', element: page(() => import('./ledger/kits/kits-page.tsx'), 'KitsPage') },
          { path: '/ledger/kits/:id', element: page(() => import('./ledger/kits/kit-page.tsx'), 'KitPage') },
          { path: '/ledger/plan', element: page(() => import('./ledger/wishes/plan-page.tsx'), 'PlanPage') },
          { path: '/ledger', element: page(() => import('./ledger/ledger-page.tsx'), 'LedgerPage') },
          { path: '/scan', element: page(() => import('./kit/labels/scan-page.tsx'), 'ScanPage') },
          {
            path: '/studio',
            element: page(() => import('./studio/home/studio-page.tsx'), 'StudioPage'),
            children: [
              { index: true, element: <Navigate to="/studio/people" replace /> },
              { path: 'people', element: page(() => import('./studio/people/people-page.tsx'), 'PeoplePage') },
              { path: 'places', element: page(() => import('./studio/places/places-page.tsx'), 'PlacesPage') },
              { path: 'places/:id', element: page(() => import('./studio/places/place-page.tsx'), 'PlacePage') },
              { path: 'settings', element: page(() => import('./studio/policy/settings-page.tsx'), 'SettingsPage') },
              { path: 'policies', element: page(() => import('./studio/policy/policies-page.tsx'), 'PoliciesPage') },
              { path: 'access', element: page(() => import('./studio/access/access-page.tsx'), 'AccessPage') },
              { path: 'safe', element: page(() => import('./studio/backup/backup-page.tsx'), 'SafePage') },
              { path: 'history', element: page(() => import('./studio/history/history-page.tsx'), 'HistoryPage') },
              { path: 'archive', element: page(() => import('./studio/files/archive-page.tsx'), 'ArchivePage') },
              { path: 'words', element: page(() => import('./studio/home/glossary-page.tsx'), 'WordsPage') },
              { path: 'me', element: page(() => import('./studio/access/account-page.tsx'), 'MePage') },
            ],
          },
          { path: '*', element: page(() => import('./foundation/parts/not-found-page.tsx'), 'LostPage') },
        ],
      },
    ],
  },
])

const root = document.getElementById('root')
if (!root) throw new Error('index.html has no element "root".')
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  </StrictMode>,
)
