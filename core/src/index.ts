/** The public names of core: those that server, web, journeys and measurements use. Everything else imports the file. */

export {
  type ApiContract,
  apiContract,
  type BodyOf,
  type QueryOf,
  type ReplyOf,
  type RouteKey,
} from './api-contract.ts'
export {
  type CapacityRun,
  type CapacitySource,
  judgePack,
  MOST_SHARE,
  type NewCapacityRun,
  reckonRun,
} from './bench/capacity.ts'
export { judgeConsumption } from './bench/consumption.ts'
export {
  type Incident,
  isLessonFor,
  type LessonFor,
  lessonForSchema,
  type NewIncident,
} from './bench/incident.ts'
export { type LifeMonth, tellLife } from './bench/life.ts'
export {
  type Outlook,
  rankSpares,
  reckonOutlook,
} from './bench/outlook.ts'
export { judgeReading, READING_OUTCOMES, type Reading, type ReadingOutcome, readingSchema } from './bench/reading.ts'
export {
  type Failure,
  groupReliability,
  LEAST_LOGGED_USES,
  makeFailureRates,
  RELIABILITY_GROUPS,
  type ReliabilityGroup,
  type ReliabilityRecord,
  type ReliabilityRow,
} from './bench/reliability.ts'
export {
  AWAY_STAGES,
  ENDED_STAGES,
  findClaim,
  listNextStages,
  type NewRepair,
  REPAIR_CLAIM_CODES,
  REPAIR_CLAIMS,
  REPAIR_STAGES,
  type Repair,
  type RepairChange,
  type RepairClaim,
  type RepairStage,
  weighCover,
} from './bench/repair.ts'
export { findLostAt, type Season, type SeasonOutcome, simulateSeasons } from './bench/season.ts'
export { computeServiceDue, findServiceDue, NO_WEAR, type Wear } from './bench/service-due.ts'
export {
  isPlanFor,
  type NewServicePlan,
  type NewServices,
  type PlanSubject,
  planSubjectSchema,
  type ServicePlan,
} from './bench/service-plan.ts'
export { type BookedShoot, type Hanging, listHanging } from './bench/shoots-ahead.ts'
export { listUsualPlans } from './bench/usual-plans.ts'
export type { BenchReply, TemporaryFix } from './contract/bench-contract.ts'
export type { BookingCheck, BookingReply, DiaryReply, StandingThere, TakeOut } from './contract/booking-contract.ts'
export type { Method, Permission, RouteContract } from './contract/contract.ts'
export type { FindHit } from './contract/find-contract.ts'
export type { IncidentReply } from './contract/incident-contract.ts'
export type { InterfaceRow } from './contract/kit/connector-contract.ts'
export type { FiguresReply } from './contract/kit/figures-contract.ts'
export { type ImportReport, importSchema } from './contract/kit/import-contract.ts'
export type { KitFileReport } from './contract/kit/kit-file-contract.ts'
export type { ModelRow } from './contract/kit/model-contract.ts'
export type { ScheduleRow } from './contract/kit/schedule-contract.ts'
export type { StockRow } from './contract/kit/stock-contract.ts'
export type { SystemsReply } from './contract/kit/system-contract.ts'
export { type Hearsay, quickEntrySchema, type UnitReply, unitListQuery } from './contract/kit/unit-contract.ts'
export type { KitPlanPage } from './contract/kit-plan-contract.ts'
export type { EntryRow, SpendingReply } from './contract/ledger-contract.ts'
export type { OrderRow } from './contract/order-contract.ts'
export type { NewReading, ReadingsReply } from './contract/reading-contract.ts'
export type { ReliabilityReply } from './contract/reliability-contract.ts'
export type { RepairsReply } from './contract/repair-contract.ts'
export type { Serve, UnitRow } from './contract/replies.ts'
export type { SaleRow, Sold } from './contract/sale-contract.ts'
export type { ServiceLine, ServicesReply } from './contract/service-contract.ts'
export { type AbleThing, writeWants } from './contract/setups/able-contract.ts'
export type { AngleReply, LookReply } from './contract/setups/camera-contract.ts'
export type { PicturesReply } from './contract/setups/picture-contract.ts'
export type { SoundRoutesReply } from './contract/setups/preflight-contract.ts'
export type { NamedDifference } from './contract/setups/proposal-contract.ts'
export type { ResilienceReply } from './contract/setups/resilience-contract.ts'
export type { ChangeOverReply, MinutesReply } from './contract/setups/rig-time-contract.ts'
export type { MoveCheckReply, SetupName, SetupReply } from './contract/setups/setup-contract.ts'
export type { AccountRow, Invitation, MeReply, SessionRow, SignInRow } from './contract/studio/access-contract.ts'
export { subjectSchema } from './contract/studio/attachment-contract.ts'
export type {
  BackupAccount,
  BackupCheckReply,
  BackupRow,
  DrillFault,
  DrillReply,
} from './contract/studio/backup-contract.ts'
export type { PlacePageReply } from './contract/studio/directory-contract.ts'
export type { FilmRow } from './contract/studio/film-contract.ts'
export type { ChangeRow, EventRow } from './contract/studio/history-contract.ts'
export type { StudioReply } from './contract/studio/settings-contract.ts'
export type { SupplyLine } from './contract/supply-contract.ts'
export type { PlanReply, WishesReply, WishRow } from './contract/wish-contract.ts'
export {
  type BlockingFault,
  type Calendar,
  countFree,
  findAbsence,
  findAbsences,
  findClosure,
  type Wanted,
} from './diary/availability.ts'
export {
  BOOKING_KIND_CODES,
  BOOKING_KINDS,
  type Booking,
  type BookingItem,
  type BookingKind,
  type BookingState,
  findHoldInterval,
  isHolding,
  type NewBooking,
  newBookingSchema,
  SKIES,
  SKY_CODES,
  type Sky,
} from './diary/booking.ts'
export { findCollisions, findStockShortages, type Hold } from './diary/collisions.ts'
export { buildPackSheet, listBookingItems } from './diary/pack-sheet.ts'
export { findLuxOf, type LightSource, type LuxGrid, sumLuxRow } from './formulas/light/lux-map.ts'
export {
  DEPRECIATIONS,
  type Depreciation,
  depreciate,
  findBookValue,
} from './formulas/money/depreciation.ts'
export { findLikeFraming, type LensOffer, type LikeFraming } from './formulas/picture/framing.ts'
export { checkVoltageDrop, computeVoltageDrop, OHMS_PER_KILOMETRE } from './formulas/power/voltage-drop.ts'
export { countSpares } from './formulas/reliability/poisson.ts'
export { describeSunOf, type PlaceSun } from './formulas/room/place-sun.ts'
export { compareSnapshots, listOwnThings, type SnapshotContents } from './kit/counting/snapshot.ts'
export { type Countable, compareStocktake, type StocktakeLine, type StocktakeSeen } from './kit/counting/stocktake.ts'
export { type Bundle, bundleSchema, priceBundle, splitAmount } from './kit/entry/bundle.ts'
export { RECORDABLE, scoreRecorded } from './kit/entry/recorded.ts'
export { makeNextTag } from './kit/entry/tagging.ts'
export { writeInventory } from './kit/exchange/inventory-export.ts'
export {
  describeKitFile,
  KIT_LISTS,
  type KitFile,
  type KitFilePlan,
  type KitFileProblem,
  type KitHere,
  type KitList,
  kitFileSchema,
  planKitImport,
  readKitFile,
  writeKitFile,
} from './kit/exchange/kit-file.ts'
export { type AlikeLines, listAlikeLines } from './kit/import/alike-lines.ts'
export { flattenHeading } from './kit/import/column-guess.ts'
export { changesAnything, type ImportContext, type ImportPlan } from './kit/import/import-plan.ts'
export { sayImportProblem } from './kit/import/import-words.ts'
export { INVENTORY_COLUMNS, type InventoryColumn } from './kit/import/inventory-columns.ts'
export { planInventorySteps } from './kit/import/inventory-import.ts'
export { findNearWords, splitWords } from './kit/import/near-words.ts'
export {
  type CodeKind,
  LABEL_SHEET_CODES,
  LABEL_SHEETS,
  type LabelSheet,
  type LabelSheetCode,
  layOutLabels,
  placeCode,
  readTag,
} from './kit/labels/label-sheet.ts'
export { readWedge, type Stroke } from './kit/labels/wedge.ts'
export {
  CATEGORIES,
  CATEGORY_CODES,
  type Category,
  GROUPS,
  type Group,
  isCounted,
  isKindOf,
  listKindsOf,
} from './kit/model/category.ts'
export { listAtInterface, listFits } from './kit/model/fits.ts'
export {
  INTERFACE_KINDS,
  type Interface,
  makeOwnInterface,
  type NewInterface,
  STANDARD_INTERFACES,
} from './kit/model/interface.ts'
export {
  type Model,
  type NewModel,
  nameModel,
  newModelSchema,
  type PowerMode,
  type RecordingMode,
} from './kit/model/model.ts'
export {
  countBodyPoints,
  crossModifiers,
  isOwnFamily,
  judgeConformity,
  listMakerMixes,
  listSystems,
  type Piece,
  rankPortability,
  type SystemShare,
} from './kit/model/one-system.ts'
export { findDoubts } from './kit/model/plausibility.ts'
export { sayDoubt } from './kit/model/plausibility-words.ts'
export { IMPORTANCES, type Importance, makePort, type Port, RATED_QUANTITIES } from './kit/model/port.ts'
export { sayEnd, saySide } from './kit/model/port-words.ts'
export { listPowerSources, type PowerSource } from './kit/model/power-source.ts'
export { type MoreSpecs, SPECS, type SpecFacts, type SpecKey } from './kit/model/spec.ts'
export { findSpecMeasure, labelSpec, readSpec, saySpecValue, writeSpecs } from './kit/model/spec-words.ts'
export { changeFacts } from './kit/template/changed-facts.ts'
export { canBeNone, FACT_WORDS, isAnswer, labelFact, OWN_ANSWERS, sayFact } from './kit/template/fact-words.ts'
export { readFacts } from './kit/template/known-facts.ts'
export {
  ANSWERED_BY,
  answerFact,
  type FactAnswer,
  listAnswers,
  listLackingFacts,
  NEEDED_FACTS,
  type NeededFact,
} from './kit/template/needed-facts.ts'
export { listUsualOf, STARTER_MODELS, type StarterModel } from './kit/template/starter-models.ts'
export { makeModelFromTemplate } from './kit/template/template.ts'
export {
  ASKED_FACTS,
  ASKED_SPECS,
  END_FACTS,
  type FactKey,
  NO_END,
  type TemplateFacts,
} from './kit/template/template-facts.ts'
export { USUAL_ENDS } from './kit/template/usual-ends.ts'
export { markUsual, readUsual } from './kit/template/usual-facts.ts'
export {
  ABILITIES,
  ABILITY_CODES,
  type AbilityCode,
  judgeAbilities,
  sayAbility,
  type WantedAbility,
} from './kit/unit/ability.ts'
export { type Absence, isOnLoan, type Parent, type Standing } from './kit/unit/absence.ts'
export { forecastSpace } from './kit/unit/archive-space.ts'
export { listManyChanges, type ManyChanges, manyChangesSchema, manySchema } from './kit/unit/change-many.ts'
export { type Charge, chargeSchema, holdsCharge, type NewCharges, readCharge } from './kit/unit/charge.ts'
export {
  FAILING,
  FAILING_CODES,
  type Failing,
  type Fault,
  findBlockingFault,
  judgeMending,
  type NewFault,
  type OpenFault,
  REPLACEMENT_REASONS,
  type ReplacementReason,
  SEVERITIES,
  SEVERITY_LABELS,
  type Severity,
} from './kit/unit/fault.ts'
export { type FilmStanding, judgeFilmCopies } from './kit/unit/film-copies.ts'
export { findDisclosureEnd, isDutyDone, listOpenDuties, reckonGift, sayDisclosure, sumGifts } from './kit/unit/gift.ts'
export {
  KIT_COLUMN_CODES,
  KIT_COLUMNS,
  KIT_ONLY,
  KIT_SORTS,
  type KitColumn,
  type KitFilter,
  type KitOnly,
  type KitSort,
  kitFilterSchema,
  type SavedView,
  USUAL_COLUMNS,
} from './kit/unit/kit-filter.ts'
export { canGoWith, listMissingParts, listWithParts } from './kit/unit/kit-parts.ts'
export { checkSeason, MONTH_NAMES, saySeason, seasonSchema } from './kit/unit/season.ts'
export { judgeSoftware, type Machine, type SoftwareFinding } from './kit/unit/software-fit.ts'
export {
  ACQUISITION_CODES,
  ACQUISITIONS,
  type Acquisition,
  BONDS,
  type Bond,
  COVER_ACCIDENTS,
  EMPTY_UNIT,
  INTEREST_KIND_CODES,
  INTEREST_KINDS,
  LIFE_STATE_CODES,
  LIFE_STATES,
  type LifeState,
  lifeStateSchema,
  MOST_COUNTED,
  MOST_REMARKS,
  type NewUnit,
  NO_PROVENANCE,
  NO_SUPPLY,
  newUnitSchema,
  type Provenance,
  REMARK_KINDS,
  type Remark,
  type Software,
  type Stock,
  type Supply,
  softwareSchema,
  supplySchema,
  type Unit,
} from './kit/unit/unit.ts'
export { saySoftwareFinding, saySpaceWorking } from './kit/unit/unit-words.ts'
export { listUsualFaults, sayHazard } from './kit/unit/usual-faults.ts'
export { readWarranty, sayWarranty } from './kit/unit/warranty.ts'
export { classifyForLuggage } from './kit/worth/air-travel.ts'
export { sumCapacities } from './kit/worth/capacities.ts'
export { countAvailable, listUnusableSpans, type Session } from './kit/worth/sessions.ts'
export {
  estimateResale,
  findPeakDemand,
  isRisk,
  measureUse,
  SHARING,
  type Sharing,
  valueSetups,
} from './kit/worth/use-and-worth.ts'
export { planReserve, USUAL_LIFE } from './ledger/assets/reserve.ts'
export { listStranded } from './ledger/assets/stranded.ts'
export type { CalculatorField } from './ledger/decide/calculator.ts'
export {
  CALCULATOR_CODES,
  CALCULATORS,
  type CalculatorCode,
  type Decision,
  listLacking,
  newDecisionSchema,
  reckon,
} from './ledger/decide/calculators.ts'
export {
  ENTRY_KINDS,
  type Entry,
  type EntryChange,
  type EntryKind,
  INCOME_KINDS,
  isIncome,
  type NewEntry,
  type NewRefund,
  TOLD_KIND_CODES,
} from './ledger/entry.ts'
export { type Forecast, forecastYear } from './ledger/forecast.ts'
export { listHindrances } from './ledger/hindrances.ts'
export { compareLight, type LightOffer } from './ledger/more-light.ts'
export { LEFT_OUT, type PlanSketch, planUpgrade, type UpgradeCase } from './ledger/plan/upgrade.ts'
export { findCorrectionFault, findRefundable, findRefundFault } from './ledger/refund.ts'
export {
  type NewShoppingLine,
  newShoppingLineSchema,
  type PartRequest,
  rankShopping,
  type ShoppingLine,
  sumShopping,
} from './ledger/shopping.ts'
export { findBudgetEffect, type Spending, summariseSpending } from './ledger/spending.ts'
export { couldServe, listKitItems, makeKitInput } from './ledger/tier/kit-case.ts'
export {
  countFilmsToGo,
  KIT_BASES,
  KIT_GRADES,
  type KitOption,
  type KitPlan,
  kitPlanChangeSchema,
  kitPlanSchema,
  OPTION_USES,
} from './ledger/tier/kit-plan.ts'
export { findFit } from './ledger/tier/kit-question.ts'
export { listStartersOf } from './ledger/tier/starters.ts'
export { type KitLine, type KitOfTier, type Kits, planKits } from './ledger/tier/tiers.ts'
export type { Candidate } from './ledger/wish/candidate.ts'
export { findCures, type SetupCures } from './ledger/wish/cures.ts'
export { type Pieces, placePieces } from './ledger/wish/place-pieces.ts'
export { WEIGHTINGS } from './ledger/wish/points.ts'
export { scoreWish } from './ledger/wish/rank-wishes.ts'
export { findUntried, listRegrets } from './ledger/wish/regrets.ts'
export { countShoots, groupShoots, type PlannedShoot, QUARTER_DAYS } from './ledger/wish/shoots.ts'
export {
  CURES,
  type Cure,
  DEFECT_WEIGHTS,
  DEFECTS,
  type Defect,
  newWishSchema,
  PRICE_KINDS,
  SET_STATE_CODES,
  WHY_THIS,
  type WhyThis,
  WISH_STATES,
  type Wish,
  type WishPrice,
  type WishState,
  type WishUse,
  wishBodySchema,
  wishChangeSchema,
  wishSchema,
} from './ledger/wish/wish.ts'
export { asksOutcome, costWish, isWaiting } from './ledger/wish/wish-price.ts'
export { sayAbsence, type TimeWords, type WorkingWords } from './setups/checks/finding-words.ts'
export { listSunMoves } from './setups/checks/light/sunlight.ts'
export type { LookLine } from './setups/checks/look-line.ts'
export { type CameraAngle, listCameraAngles } from './setups/checks/picture/camera-angles.ts'
export { sayFraming } from './setups/checks/picture/framing-words.ts'
export { describeLookOf, type LookPart, writeLook } from './setups/checks/plan/look.ts'
export type { Plan, PlanFrame, PlanRoom } from './setups/checks/plan/plan.ts'
export { moveTo, type PlanThing, placeAt } from './setups/checks/plan/planned.ts'
export { computeCarriedLoads } from './setups/checks/rigging/carried-load.ts'
export { makeScene, type Scene } from './setups/checks/scene.ts'
export type { Signals } from './setups/checks/signal/signals.ts'
export { listExampleModels, makeExampleSetup } from './setups/examples/example-setup.ts'
export { EXAMPLE_CONNECTORS, type ExampleConnector, type ExampleStudio } from './setups/examples/example-studio.ts'
export { EXAMPLE_STUDIOS } from './setups/examples/examples.ts'
export type { Joint } from './setups/joining/completeness.ts'
export { checkCompleteness } from './setups/joining/completeness.ts'
export { type EndChoice, type JointChoices, listJointChoices } from './setups/joining/joint-choices.ts'
export { PICTURE_KINDS, type PictureKind } from './setups/joining/picture-kind.ts'
export { type JointChange, type JointEnd, restateJoint } from './setups/joining/restate-joint.ts'
export { comparePictures, type PictureChange } from './setups/pictures/compare-pictures.ts'
export { drawPicture } from './setups/pictures/draw-picture.ts'
export { type Layout, layoutPicture } from './setups/pictures/layout.ts'
export {
  NOT_IN_USE,
  type Picture,
  type PictureGroup,
  type PictureJoint,
  type PictureNode,
  ROOTS,
} from './setups/pictures/picture.ts'
export { sayNodeFigure } from './setups/pictures/picture-words.ts'
export { readPlaceLevels } from './setups/pictures/place-levels.ts'
export { findSwitchedOff, listShutDown } from './setups/pictures/switched-off.ts'
export type { AssessmentInput } from './setups/placed/assessment-input.ts'
export { type Holdings, listPlacedItems } from './setups/placed/placed-item.ts'
export type { Store } from './setups/placed/store.ts'
export { listSceneItems } from './setups/placed/venue.ts'
export { assignAtLeastCost } from './setups/proposals/assignment.ts'
export { type CableWay, type Conduit, findCables } from './setups/proposals/cable-finder.ts'
export { countCables } from './setups/proposals/cable-stock.ts'
export { chooseForRoles } from './setups/proposals/choosing.ts'
export { isHelperKind } from './setups/proposals/connect-choices.ts'
export { type ConnectPlan, planConnections } from './setups/proposals/connecting.ts'
export { countLackingStock } from './setups/proposals/lacking-stock.ts'
export { sayLeft, sayOpenEnd, sayReasons } from './setups/proposals/proposal-words.ts'
export { type FindingHelp, findRemedies, makeStandInSearch, sayStore } from './setups/proposals/remedies.ts'
export {
  countThings,
  type LossesSoFar,
  listSinglePoints,
  seekSinglePoints,
  takeOut,
} from './setups/proposals/resilience.ts'
export { listShoppingNeeds } from './setups/proposals/shopping-needs.ts'
export { listSoundRoutes, type SoundDevice, type SoundRoute } from './setups/proposals/sound-route.ts'
export { makeModelFilter, makeShoppingFilter } from './setups/proposals/store-filter.ts'
export { listOrphans, swapThing } from './setups/proposals/swap.ts'
export { answerWants, findWants, type ThingWant } from './setups/proposals/thing-wants.ts'
export { addCableRun, type CableRun, hasCableRun } from './setups/setup/cable-run.ts'
export { DEMAND_CODES, DEMANDS } from './setups/setup/demand.ts'
export { dropNeedlessRoles, hasOwnLens, makeFirstSetup } from './setups/setup/first-setup.ts'
export { printLights } from './setups/setup/lights-print.ts'
export { FEATURE_CODES, FEATURES, type Feature } from './setups/setup/provided.ts'
export { addGuest, applyTemplate, copySetup, PURPOSE_TEMPLATES } from './setups/setup/purpose-template.ts'
export {
  parseSetting,
  READ_SETTINGS,
  type ReadSettingKey,
  readSetting,
  writeSetting,
} from './setups/setup/read-settings.ts'
export { applyRemedy, type Remedy } from './setups/setup/remedy.ts'
export {
  NO_POSITION,
  type Position,
  printSettings,
  type Setting,
  sayPosition,
  USUAL_SETTINGS,
} from './setups/setup/setting-card.ts'
export {
  type Acceptance,
  ASK_CODES,
  ASKS,
  type Assignment,
  listInUse,
  listUnitIds,
  makeAssignment,
  type NewSetup,
  newSetupSchema,
  type Role,
  SETUP_DEFAULTS,
  type Setup,
  SHOT_CODES,
  SHOTS,
  type Shot,
  TAPES,
  type Tape,
} from './setups/setup/setup.ts'
export {
  compareSetups,
  type FactField,
  type RoleField,
  type SetupDifference,
  type StageField,
} from './setups/setup/setup-difference.ts'
export { suggestIdentity } from './setups/setup/setup-identity.ts'
export {
  BACKGROUND_CODES,
  BACKGROUNDS,
  type Background,
  DAYLIGHT_CODES,
  DAYLIGHTS,
  type Daylight,
  IN_PICTURE,
  IN_PICTURE_CODES,
  LIGHT_JOB_CODES,
  LIGHT_JOBS,
  type LightJob,
  MOVE_CODES,
  MOVES,
  type Move,
  NO_ROLE_LIGHT,
  NO_STAGE,
  POSTURE_CODES,
  POSTURES,
  type Posture,
  type Stage,
  suggestLightJob,
  WINDOW_WAY_CODES,
  WINDOW_WAYS,
  type WindowWay,
} from './setups/setup/stage.ts'
export { findStatedRing } from './setups/setup/stated-ring.ts'
export { pairEnds, type SwappedEnds } from './setups/setup/swapped-ends.ts'
export { type ChangeOver, type ChangeStep, planChangeOver, type StandingRig } from './setups/timing/change-over.ts'
export { computeFloorSpace, type FloorSpace } from './setups/timing/floor-space.ts'
export { listStartLines, type StartLine } from './setups/timing/preflight.ts'
export { groupBySource, isCharged, sayStartLine } from './setups/timing/preflight-words.ts'
export { computeRigTime, computeStandingCost, type RigStep, type RigTime } from './setups/timing/rig-minutes.ts'
export { sayRigTime } from './setups/timing/rig-time-words.ts'
export { countSessionsPerMonth, findMonthsAround, measureMinutesPerMonth } from './setups/timing/room-utilisation.ts'
export { canAccept, computeFingerprint, wantsEnd } from './setups/verdict/acceptance.ts'
export {
  compareReadiness,
  compareWorkings,
  type ReadinessChange,
  type WorkingChange,
} from './setups/verdict/assessment-change.ts'
export { groupByCause, sayTogether } from './setups/verdict/causes.ts'
export type { Working } from './setups/verdict/check-list.ts'
export { canHelp, type Finding, findQuestion } from './setups/verdict/finding.ts'
export { sayFinding, sayPlainly, sayRemedy, sayVerdict, sayWorking } from './setups/verdict/finding-sentences.ts'
export { makeJudge } from './setups/verdict/incremental.ts'
export { assessScene, assessSetup, type Readiness, type Verdict } from './setups/verdict/readiness.ts'
export {
  ATTACHMENT_TYPES,
  type Attachment,
  isStillOf,
  nameAttachment,
  REFERENCE_STILL,
} from './studio/archive/attachment.ts'
export { type NewFilm, newFilmSchema } from './studio/archive/film.ts'
export { isBackupDue, listBackupsToDrop } from './studio/archive/retention.ts'
export type { FindingLevel } from './studio/finding.ts'
export { explainTerms, GLOSSARY } from './studio/glossary.ts'
export { CHANGE_SUBJECTS, type ChangeSubject } from './studio/history/change-subject.ts'
export type { EventKind, SubjectType } from './studio/history/event.ts'
export { CANNOT_UNDO, UNDO_DAYS } from './studio/history/undo.ts'
export { LONGEST_NAME } from './studio/identity.ts'
export {
  ACCESS_ROLE_NAMES,
  ACCESS_ROLES,
  ACTION_CODES,
  ACTIONS,
  type AccessRole,
  type Action,
  describeAccess,
  may,
} from './studio/people/access.ts'
export {
  CONSENT_CODES,
  CONSENTS,
  CONTACT_KINDS,
  type Contact,
  hasSkill,
  listTraitsOn,
  type NewParty,
  type NewPerson,
  newPersonSchema,
  normaliseSkill,
  PARTY_KINDS,
  type Party,
  type Person,
  type PersonTrait,
  TRAIT_CODES,
  TRAITS,
  type Trait,
} from './studio/people/person.ts'
export {
  type SecondFactor,
  type SignInOutcome,
  secondFactorSchema,
} from './studio/people/second-factor.ts'
export { hideFrom, hideInRecord } from './studio/people/secrecy.ts'
export { recordVendor, sayVendorRecord } from './studio/people/vendor-record.ts'
export { rankPlacesByColour } from './studio/places/brand-colour.ts'
export {
  type Circuit,
  FIXTURE_KIND_CODES,
  FIXTURE_KINDS,
  type FixtureKind,
  type NewPlace,
  NO_DETAILS,
  newPlaceSchema,
  PLACE_KINDS,
  type Place,
  type PlaceDetails,
  type PlaceKind,
  WALL_CODES,
  WALLS,
  type Wall,
} from './studio/places/place.ts'
export { listMissed } from './studio/places/place-change.ts'
export { judgePlace } from './studio/places/place-findings.ts'
export { sayPlaceFinding } from './studio/places/place-words.ts'
export { isWallSocket, PLUG_SYSTEM_CODES, PLUG_SYSTEMS, type PlugSystemCode } from './studio/places/plug-systems.ts'
export { checkRoomFit } from './studio/places/room-fit.ts'
export { addSlack, listLeadWays } from './studio/places/socket-map.ts'
export { COUNTRIES, COUNTRY_CODES, type CountryCode, guessCountry } from './studio/policy/countries.ts'
export { type FigureCode, NO_OVERRIDES, OVERRIDABLE, type Overrides, overridesSchema } from './studio/policy/policy.ts'
export { FIGURE_WORDS, sayPolicy } from './studio/policy/policy-words.ts'
export { findPractice, PRACTICE_CODES, type PracticeCode } from './studio/policy/practice.ts'
export { PURPOSE_CODES, PURPOSES, type Purpose } from './studio/policy/purpose.ts'
export { resolvePolicies } from './studio/policy/resolved-policies.ts'
export {
  DEFAULT_SETTINGS,
  type Studio,
  type StudioSettings,
  studioSettingsSchema,
  type UnitSystem,
} from './studio/policy/settings.ts'
export { FIND_ACTIONS } from './today/actions.ts'
export { type AheadBooking, listPreparations, withoutListed } from './today/preparation.ts'
export { arrangeToday, TODAY_SECTIONS, type TodayItem, type TodaySection } from './today/today.ts'
export { sayTodayItem } from './today/words.ts'
export { type Cell, writeCsv } from './units/csv.ts'
export {
  addVariableMutably,
  type IntegerProgram,
  keepsRows,
  makeProgram,
  type ProgramResult,
  type SolveProgram,
  writeProgram,
} from './units/integer-program.ts'
export type { Interval } from './units/interval.ts'
export { sumKnown } from './units/known-sum.ts'
export { computeTax, findExponent, formatMoney, readMoney, splitTax } from './units/money.ts'
export { readPercent, writePercent } from './units/percent.ts'
export {
  exampleOf,
  formatArea,
  formatData,
  formatEnergy,
  formatLength,
  formatMass,
  formatMinutes,
  formatPower,
  listUnitsMeant,
  type Measure,
  readMeasure,
  readQuantity,
  trim,
} from './units/quantity.ts'
export {
  addDays,
  addMonths,
  countDays,
  findDate,
  findInstant,
  findStartOfDay,
  findWallTime,
} from './units/wall-time.ts'
export { listInWords, sayNumber } from './units/wording.ts'
