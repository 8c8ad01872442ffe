import { lazy, Suspense } from 'react'
import { Outlet, useLocation } from 'react-router'
import { useMeQuery } from '../foundation/api/session.ts'
import { Loading, Waiting } from '../foundation/parts/page-parts.tsx'

const DoorPage = lazy(() => import('../studio/access/sign-in-page.tsx').then((it) => ({ default: it.DoorPage })))
const JoinPage = lazy(() => import('../studio/access/join-page.tsx').then((it) => ({ default: it.JoinPage })))

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
