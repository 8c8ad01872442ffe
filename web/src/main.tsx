import '@fontsource-variable/schibsted-grotesk'
import '@fontsource-variable/spline-sans-mono'
import './foundation/tokens.css'
import './foundation/plain-zod.ts'
import { type ComponentType, lazy, StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { Provider } from 'react-redux'
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router'
import { AppShell } from './foundation/app-shell.tsx'
import { Gate } from './foundation/gate.tsx'
import { store } from './foundation/store.ts'
import { applyTheme } from './foundation/theme.ts'

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
          { path: '/kit', element: page(() => import('./kit/kit-page.tsx'), 'KitPage') },
          { path: '/kit/import', element: page(() => import('./kit/import-page.tsx'), 'ImportPage') },
          { path: '/kit/cables', element: page(() => import('./kit/cables-page.tsx'), 'CablesPage') },
          { path: '/kit/labels', element: page(() => import('./kit/labels-page.tsx'), 'LabelsPage') },
          { path: '/kit/stock', element: page(() => import('./kit/stock-page.tsx'), 'StockPage') },
          { path: '/kit/bundle', element: page(() => import('./kit/bundle-page.tsx'), 'BundlePage') },
          { path: '/kit/count', element: page(() => import('./kit/counts-page.tsx'), 'CountsPage') },
          { path: '/kit/count/:id', element: page(() => import('./kit/count-page.tsx'), 'CountPage') },
          { path: '/kit/duties', element: page(() => import('./kit/duties-page.tsx'), 'DutiesPage') },
          { path: '/kit/figures', element: page(() => import('./kit/figures-page.tsx'), 'FiguresPage') },
          { path: '/kit/interfaces', element: page(() => import('./kit/interfaces-page.tsx'), 'InterfacesPage') },
          { path: '/kit/models', element: page(() => import('./kit/models-page.tsx'), 'ModelsPage') },
          { path: '/kit/schedule', element: page(() => import('./kit/schedule-page.tsx'), 'SchedulePage') },
          { path: '/kit/systems', element: page(() => import('./kit/systems-page.tsx'), 'SystemsPage') },
          { path: '/kit/then', element: page(() => import('./kit/then-page.tsx'), 'ThenPage') },
          { path: '/kit/:id', element: page(() => import('./kit/unit-page.tsx'), 'UnitPage') },
          { path: '/setups', element: page(() => import('./setups/setups-page.tsx'), 'SetupsPage') },
          {
            path: '/setups/resilience',
            element: page(() => import('./setups/resilience-page.tsx'), 'ResiliencePage'),
          },
          { path: '/setups/cameras', element: page(() => import('./setups/cameras-page.tsx'), 'CamerasPage') },
          { path: '/setups/:id/minutes', element: page(() => import('./setups/minutes-page.tsx'), 'MinutesPage') },
          { path: '/setups/:id/start', element: page(() => import('./setups/start-page.tsx'), 'StartPage') },
          { path: '/setups/:id/looks', element: page(() => import('./setups/looks-page.tsx'), 'LooksPage') },
          { path: '/setups/:id', element: page(() => import('./setups/setup-page.tsx'), 'SetupPage') },
          { path: '/diary', element: page(() => import('./diary/diary-page.tsx'), 'DiaryPage') },
          { path: '/diary/:id', element: page(() => import('./diary/booking-page.tsx'), 'BookingPage') },
          { path: '/diary/:id/take-out', element: page(() => import('./diary/take-out-page.tsx'), 'TakeOutPage') },
          {
            path: '/diary/:id/bring-back',
            element: page(() => import('./diary/bring-back-page.tsx'), 'BringBackPage'),
          },
          { path: '/bench', element: page(() => import('./bench/bench-page.tsx'), 'BenchPage') },
          { path: '/ledger', element: page(() => import('./ledger/ledger-page.tsx'), 'LedgerPage') },
          { path: '/scan', element: page(() => import('./kit/scan-page.tsx'), 'ScanPage') },
          {
            path: '/studio',
            element: page(() => import('./studio/studio-page.tsx'), 'StudioPage'),
            children: [
              { index: true, element: <Navigate to="/studio/people" replace /> },
              { path: 'people', element: page(() => import('./studio/people-page.tsx'), 'PeoplePage') },
              { path: 'places', element: page(() => import('./studio/places-page.tsx'), 'PlacesPage') },
              { path: 'places/:id', element: page(() => import('./studio/place-page.tsx'), 'PlacePage') },
              { path: 'settings', element: page(() => import('./studio/settings-page.tsx'), 'SettingsPage') },
              { path: 'policies', element: page(() => import('./studio/policies-page.tsx'), 'PoliciesPage') },
              { path: 'access', element: page(() => import('./studio/access-page.tsx'), 'AccessPage') },
              { path: 'safe', element: page(() => import('./studio/safe-page.tsx'), 'SafePage') },
              { path: 'history', element: page(() => import('./studio/history-page.tsx'), 'HistoryPage') },
              { path: 'archive', element: page(() => import('./studio/archive-page.tsx'), 'ArchivePage') },
              { path: 'words', element: page(() => import('./studio/words-page.tsx'), 'WordsPage') },
              { path: 'me', element: page(() => import('./studio/me-page.tsx'), 'MePage') },
            ],
          },
          { path: '*', element: page(() => import('./foundation/lost-page.tsx'), 'LostPage') },
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
