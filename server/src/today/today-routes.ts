import { arrangeToday, findDate, may, type TodayItem } from '@exemplar/core'
import type { House } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { listDecisions, listSeasons } from './decisions.ts'
import { listCollisions, listLoans, listOut } from './out-and-colliding.ts'
import { judgeAhead, listPreparation, listServices, listShoots } from './preparation.ts'
import type { Moment } from './today-context.ts'

function gatherToday(house: House, seesMoney: boolean): TodayItem[] {
  const settings = loadStudio(house.db)
  const now = house.now()
  const moment: Moment = { db: house.db, settings, now, today: findDate(now, settings.zone) }
  const ahead = judgeAhead(moment)
  return [
    ...listShoots(moment, ahead),
    ...listPreparation(moment, ahead),
    ...listServices(moment),
    ...listSeasons(moment),
    ...listOut(moment),
    ...listLoans(moment),
    ...listCollisions(moment),
    ...listDecisions(moment, seesMoney),
  ]
}

export const todayRoutes = [
  defineRoute({
    method: 'get',
    path: '/today',
    permission: 'see-studio',
    room: 'today',
    summary: 'What matters now: next shoots, preparation, what is out, collisions, decisions',
    handle: ({ actor }, house) => {
      const { zone } = loadStudio(house.db)
      const items = gatherToday(house, may(actor.role, 'see-money'))
      return { date: findDate(house.now(), zone), sections: arrangeToday(items) }
    },
  }),
]
