import { z } from 'zod'
import { CATEGORY_CODES, GROUPS, isKindOf } from '../../kit/model/category.ts'
import type { Model } from '../../kit/model/model.ts'
import { IMPORTANCES } from '../../kit/model/port.ts'
import { idSchema, nameSchema, noteSchema, versionSchema } from '../../studio/identity.ts'
import { NO_OVERRIDES, overridesSchema } from '../../studio/policy/policy.ts'
import { PURPOSE_CODES } from '../../studio/policy/purpose.ts'
import { dateSchema } from '../../units/wall-time.ts'
import { type CableRun, cableRunSchema } from './cable-run.ts'
import { type ContentDemand, DEMAND_CODES } from './demand.ts'
import { providedBySchema } from './provided.ts'
import { positionSchema, settingSchema } from './setting-card.ts'
import { NO_STAGE, roleLightSchema, stageSchema } from './stage.ts'

export const TAPES = ['fern', 'clay', 'sky', 'plum', 'straw', 'slate'] as const
export type Tape = (typeof TAPES)[number]
export const tapeSchema = z.enum(TAPES)

/** A thing or some of a stock put into a role, and how it is powered and records there. Null mode: the model's first. */
export const assignmentSchema = z
  .object({
    unitId: idSchema.nullable(),
    stockId: idSchema.nullable(),
    quantity: z.number().int().min(1).max(999),
    powerModeId: idSchema.nullable(),
    recordingModeId: idSchema.nullable(),
    /** Runs for less than three hours even in a longer session: no part of the continuous load. */
    runsBriefly: z.boolean().default(false),
    /** There in case: packed and counted, and joined to nothing. */
    isSpare: z.boolean().default(false),
  })
  .refine((it) => (it.unitId === null) !== (it.stockId === null), 'Name one thing or one stock, not both.')
  .refine((it) => it.unitId === null || it.quantity === 1, 'A single thing counts once.')
export type Assignment = z.infer<typeof assignmentSchema>

export const roleSchema = z.object({
  id: idSchema,
  group: z.enum(GROUPS),
  name: nameSchema,
  importance: z.enum(IMPORTANCES),
  /** The kind of thing that fills it; null takes anything. */
  wants: z.enum(CATEGORY_CODES).nullable(),
  /** One model alone will do; null takes any of the kind. */
  wantsModelId: idSchema.nullable().optional(),
  /** Where and how, in the crew's words: "1.5 m, 40° left". */
  detail: z.string().max(200),
  /** Whether something has to lie ready in its stead; null where nobody said. */
  spare: z.enum(['must', 'nice', 'none']).nullable().optional(),
  /** Left empty on purpose, such as a fill that the white wall gives. */
  intentionallyEmpty: z.boolean(),
  /** Any one of these will do; while one is away the next takes its place. */
  anyOfUnitIds: z.array(idSchema).max(12).optional(),
  /** What does it without a thing of its own: a feature of another role's thing, a surface of the room. */
  providedBy: providedBySchema.nullable().optional(),
  /** The role whose thing it carries, feeds or serves, such as the camera of a tripod; null or absent where nobody said. */
  goesWith: idSchema.nullable().optional(),
  /** Its thing may be in other roles as well. */
  mayShare: z.boolean().optional(),
  /** Inconspicuous, and missed once it is not there: it stands first on the start list. */
  oftenForgotten: z.boolean().optional(),
  /** Where it stands, measured; null or absent where nobody did. */
  position: positionSchema.nullable().optional(),
  /** What it is there for as a light, and what is lost on its way; null or absent where nobody said. */
  light: roleLightSchema.nullable().optional(),
  /** Its line of the setting card: every setting with its value, as somebody would write it on tape. */
  settings: z.array(settingSchema).max(24).optional(),
  /** Stays rigged between shoots, or is struck each time; null follows the studio's policy. */
  stays: z.boolean().nullable().optional(),
  /** Minutes to rig it, where somebody took the time; null takes what its kind usually takes. */
  rigMinutes: z.number().int().min(0).max(600).nullable().optional(),
  things: z.array(assignmentSchema).max(60),
})
export type Role = z.infer<typeof roleSchema>

/** What a setup asks of the people in it. */
export const ASKS = {
  standing: 'Somebody stands',
  'worn-microphone': 'A microphone is worn',
  'lamp-near-lens': 'A lamp sits near the lens',
  lifting: 'Something heavy is lifted',
} as const
export type Ask = keyof typeof ASKS
export const ASK_CODES = Object.keys(ASKS) as [Ask, ...Ask[]]

/** A finding that somebody looked at and lives with, for as long as it stays as it was. */
export const acceptanceSchema = z.object({
  key: z.string().max(300),
  /** The finding as it was: with other figures it is another finding. */
  fingerprint: z.string().max(64),
  reason: z.string().trim().min(1, 'Say why it is fine.').max(300),
  on: dateSchema,
  /** Who answers for it; the server writes whoever is signed in. */
  by: z.string().max(120),
  /** The last day for which it holds; null until the finding changes. A stop has an end. */
  until: dateSchema.nullable().default(null),
})
export type Acceptance = z.infer<typeof acceptanceSchema>

/** What a setup starts with beside its name and roles. */
export const SETUP_DEFAULTS = {
  purposeKind: 'other' as const,
  skills: [] as string[],
  asks: [] as Ask[],
  overrides: NO_OVERRIDES,
  demands: [] as ContentDemand[],
  accepted: [] as Acceptance[],
  variantOf: null as string | null,
  links: [] as CableRun[],
  isMirrored: false,
  speakers: null as number | null,
  shot: null as Shot | null,
  carriers: 0,
  stage: NO_STAGE,
}

/** How much of a person the picture shows. */
export const SHOTS = {
  close: 'Face and shoulders',
  half: 'To the waist',
  full: 'The whole person',
  wide: 'Person in the room',
} as const
export type Shot = keyof typeof SHOTS
export const SHOT_CODES = Object.keys(SHOTS) as [Shot, ...Shot[]]

export const newSetupSchema = z
  .object({
    code: z.string().regex(/^[A-Z]{2}$/, 'The code on the tape is two capital letters.'),
    name: nameSchema,
    tape: z.enum(TAPES),
    /** In words: "two-person interview, two cameras". */
    purpose: z.string().max(200),
    /** Which purpose's policies it follows. */
    purposeKind: z.enum(PURPOSE_CODES).default(SETUP_DEFAULTS.purposeKind),
    /** Skills that somebody there has to have. */
    skills: z.array(nameSchema).max(12).default([]),
    asks: z.array(z.enum(ASK_CODES)).max(ASK_CODES.length).default([]),
    /** What its content demands of the things. */
    demands: z.array(z.enum(DEMAND_CODES)).max(DEMAND_CODES.length).default([]),
    accepted: z.array(acceptanceSchema).max(200).default([]),
    /** The setup that it was made from and is compared with. */
    variantOf: idSchema.nullable().default(null),
    /** Signal and mains runs as somebody made them. */
    links: z.array(cableRunSchema).max(120).default([]),
    /** Whoever is filmed sees themselves as in a mirror, so the picture is turned round and lettering with it. */
    isMirrored: z.boolean().default(false),
    /** How many people are heard; null where nobody said. */
    speakers: z.number().int().min(0).max(60, 'At most 60 people speak.').nullable().default(null),
    shot: z.enum(SHOT_CODES).nullable().default(null),
    /** How many people have their hands free to hold or wear something of it. */
    carriers: z.number().int().min(0).max(20, 'At most 20 people carry.').default(0),
    /** Who and what is before the lens, and behind. */
    stage: stageSchema.default(NO_STAGE),
    /** Policies of its own. */
    overrides: overridesSchema.default(NO_OVERRIDES),
    placeId: idSchema.nullable(),
    /** The circuit that feeds it. */
    circuitId: idSchema.nullable(),
    /** Recording time that is planned. */
    plannedMinutes: z
      .number()
      .int()
      .min(1, 'Plan at least one minute.')
      .max(24 * 60, 'Plan at most a day.'),
    note: noteSchema,
    roles: z.array(roleSchema).max(120),
  })
  .superRefine((setup, context) => {
    const used = new Map<string, { index: number; isShared: boolean }>()
    for (const [r, role] of setup.roles.entries()) {
      for (const [t, { unitId }] of role.things.entries()) {
        if (!unitId) continue
        const before = used.get(unitId)
        const mayBoth = before && before.index !== r && before.isShared && role.mayShare === true
        if (before && !mayBoth) {
          const message =
            'This thing is in the setup already; one thing fills one role, unless both roles say that they share.'
          context.addIssue({ code: 'custom', path: ['roles', r, 'things', t, 'unitId'], message })
        }
        used.set(unitId, { index: r, isShared: role.mayShare === true })
      }
    }
    if (new Set(setup.roles.map((role) => role.id)).size !== setup.roles.length) {
      context.addIssue({ code: 'custom', path: ['roles'], message: 'Two roles have the same id.' })
    }
  })
export type NewSetup = z.infer<typeof newSetupSchema>

export const setupSchema = newSetupSchema.safeExtend({ id: idSchema, version: versionSchema })
export type Setup = z.infer<typeof setupSchema>

/** What a role is filled by; what lies there in case fills nothing. */
export const listInUse = ({ things }: Pick<Role, 'things'>): Assignment[] => things.filter((it) => !it.isSpare)

/** Each thing once, also where it does several jobs. */
export function listUnitIds(setup: Pick<NewSetup, 'roles'>): string[] {
  return [...new Set(setup.roles.flatMap((role) => role.things.flatMap((thing) => thing.unitId ?? [])))]
}

export function makeAssignment(thing: { unitId: string } | { stockId: string; quantity: number }): Assignment {
  return {
    unitId: null,
    stockId: null,
    quantity: 1,
    powerModeId: null,
    recordingModeId: null,
    runsBriefly: false,
    isSpare: false,
    ...thing,
  }
}

/** Whether a role says what it wants, and this is it: by kind, by model, or by a list of things that take turns. */
export function suitsRole(
  role: Pick<Role, 'wants' | 'wantsModelId' | 'anyOfUnitIds'>,
  model: Pick<Model, 'id' | 'category'>,
  unitId?: string,
): boolean {
  if (role.anyOfUnitIds?.length) return unitId !== undefined && role.anyOfUnitIds.includes(unitId)
  if (role.wantsModelId) return model.id === role.wantsModelId
  return role.wants !== null && isKindOf(model.category, role.wants)
}
