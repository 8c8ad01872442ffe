import type { z } from 'zod'
import { benchContract } from './contract/bench-contract.ts'
import { bookingContract } from './contract/booking-contract.ts'
import { decisionContract } from './contract/decision-contract.ts'
import { findContract } from './contract/find-contract.ts'
import { incidentContract } from './contract/incident-contract.ts'
import { bundleContract } from './contract/kit/bundle-contract.ts'
import { connectorContract } from './contract/kit/connector-contract.ts'
import { figuresContract } from './contract/kit/figures-contract.ts'
import { importContract } from './contract/kit/import-contract.ts'
import { kitFileContract } from './contract/kit/kit-file-contract.ts'
import { manyContract } from './contract/kit/many-contract.ts'
import { modelContract } from './contract/kit/model-contract.ts'
import { scheduleContract } from './contract/kit/schedule-contract.ts'
import { snapshotContract } from './contract/kit/snapshot-contract.ts'
import { stockContract } from './contract/kit/stock-contract.ts'
import { stocktakeContract } from './contract/kit/stocktake-contract.ts'
import { systemContract } from './contract/kit/system-contract.ts'
import { unitContract } from './contract/kit/unit-contract.ts'
import { viewContract } from './contract/kit/view-contract.ts'
import { kitPlanContract } from './contract/kit-plan-contract.ts'
import { ledgerContract } from './contract/ledger-contract.ts'
import { orderContract } from './contract/order-contract.ts'
import { readingContract } from './contract/reading-contract.ts'
import { reliabilityContract } from './contract/reliability-contract.ts'
import { repairContract } from './contract/repair-contract.ts'
import { saleContract } from './contract/sale-contract.ts'
import { serviceContract } from './contract/service-contract.ts'
import { ableContract } from './contract/setups/able-contract.ts'
import { cableContract } from './contract/setups/cable-contract.ts'
import { cameraContract } from './contract/setups/camera-contract.ts'
import { firstHourContract } from './contract/setups/first-hour-contract.ts'
import { pictureContract } from './contract/setups/picture-contract.ts'
import { preflightContract } from './contract/setups/preflight-contract.ts'
import { proposalContract } from './contract/setups/proposal-contract.ts'
import { resilienceContract } from './contract/setups/resilience-contract.ts'
import { riderContract } from './contract/setups/rider-contract.ts'
import { rigTimeContract } from './contract/setups/rig-time-contract.ts'
import { setupContract } from './contract/setups/setup-contract.ts'
import { thingWantContract } from './contract/setups/thing-want-contract.ts'
import { accessContract } from './contract/studio/access-contract.ts'
import { attachmentContract } from './contract/studio/attachment-contract.ts'
import { backupContract } from './contract/studio/backup-contract.ts'
import { directoryContract } from './contract/studio/directory-contract.ts'
import { filmContract } from './contract/studio/film-contract.ts'
import { healthContract } from './contract/studio/health-contract.ts'
import { historyContract } from './contract/studio/history-contract.ts'
import { liveContract } from './contract/studio/live-contract.ts'
import { settingsContract } from './contract/studio/settings-contract.ts'
import { supplyContract } from './contract/supply-contract.ts'
import { todayContract } from './contract/today-contract.ts'
import { wishContract } from './contract/wish-contract.ts'

export const apiContract = {
  ...benchContract,
  ...serviceContract,
  ...incidentContract,
  ...reliabilityContract,
  ...repairContract,
  ...readingContract,
  ...supplyContract,
  ...bookingContract,
  ...ledgerContract,
  ...orderContract,
  ...saleContract,
  ...wishContract,
  ...decisionContract,
  ...kitPlanContract,
  ...cableContract,
  ...cameraContract,
  ...firstHourContract,
  ...preflightContract,
  ...proposalContract,
  ...resilienceContract,
  ...riderContract,
  ...thingWantContract,
  ...ableContract,
  ...pictureContract,
  ...rigTimeContract,
  ...setupContract,
  ...findContract,
  ...todayContract,
  ...snapshotContract,
  ...stocktakeContract,
  ...kitFileContract,
  ...importContract,
  ...connectorContract,
  ...modelContract,
  ...systemContract,
  ...bundleContract,
  ...manyContract,
  ...stockContract,
  ...unitContract,
  ...viewContract,
  ...figuresContract,
  ...scheduleContract,
  ...accessContract,
  ...backupContract,
  ...healthContract,
  ...directoryContract,
  ...filmContract,
  ...attachmentContract,
  ...historyContract,
  ...liveContract,
  ...settingsContract,
}

/** Every route by method and path. */
export type ApiContract = typeof apiContract
export type RouteKey = keyof ApiContract

type SchemaOf<K extends RouteKey, P extends string> = ApiContract[K] extends { [N in P]: infer S extends z.ZodType }
  ? S
  : never

/** What a route answers, as a client reads it. */
export type ReplyOf<K extends RouteKey> = z.output<SchemaOf<K, 'reply'>>
/** What a client sends to a route. */
export type BodyOf<K extends RouteKey> = z.input<SchemaOf<K, 'body'>>
export type QueryOf<K extends RouteKey> = z.input<SchemaOf<K, 'query'>>
