import { addDays, arrangeToday, findDate, findStartOfDay, may, type TodayItem } from '@exemplar/core'
import { loadHoldBook } from '../availability/holds.ts'
import { loadServiced } from '../bench/service-lines.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { listRechecks, listRepairsToday, listSuppliesToday } from './bench-items.ts'
import { listDecisions, listSeasons } from './decisions.ts'
import { listCollisions, listLoans, listOut } from './out-and-colliding.ts'
import { assessAhead, listPreparation, listServices, listShoots } from './preparation.ts'
import type { TodayContext } from './today-context.ts'
import { LOAN_DAYS_AHEAD } from './today-context.ts'

function gatherToday(app: AppContext, seesMoney: boolean): TodayItem[] {
  const settings = loadStudio(app.db)
  const now = app.now()
  const today = findDate(now, settings.zone)
  const end = findStartOfDay(addDays(today, LOAN_DAYS_AHEAD), settings.zone)
  const book = loadHoldBook(app.db, { start: now, end }, now)
  const context: TodayContext = { db: app.db, settings, now, today, book }
  const ahead = assessAhead(context)
  const things = loadServiced(app.db)
  return [
    ...listShoots(context, ahead),
    ...listPreparation(context, ahead),
    ...listServices(context, things),
    ...listSeasons(context, things),
    ...listRepairsToday(context),
    ...listRechecks(context, things),
    ...listSuppliesToday(context),
    ...listOut(context),
    ...listLoans(context),
    ...listCollisions(context),
    ...listDecisions(context, seesMoney, things),
  ]
}

export const todayRoutes = [
  defineRoute('get /today', ({ actor }, app) => {
    const { zone } = loadStudio(app.db)
    const items = gatherToday(app, may(actor.role, 'see-money'))
    return { date: findDate(app.now(), zone), sections: arrangeToday(items) }
  }),
]
