import { lazy, Suspense } from 'react'
import { Outlet, useLocation } from 'react-router'
import { Loading, Waiting } from './page-parts.tsx'
import { useMeQuery } from './session.ts'

const DoorPage = lazy(() => import('../studio/door-page.tsx').then((it) => ({ default: it.DoorPage })))
const JoinPage = lazy(() => import('../studio/join-page.tsx').then((it) => ({ default: it.JoinPage })))

/** Lets in who is signed in; everybody else meets the door. What was asked for is there once they are in. */
export function Gate() {
  const { data: me, error, refetch } = useMeQuery()
  const { pathname } = useLocation()
  if (!me) return <Waiting what="the door" error={error} onRetry={refetch} />
  const token = /^\/join\/([\w-]+)$/.exec(pathname)?.[1]
  return (
    <Suspense fallback={<Loading what="the page" />}>
      {token ? <JoinPage token={token} /> : me.person ? <Outlet /> : <DoorPage me={me} />}
    </Suspense>
  )
}
