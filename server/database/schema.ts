import { sql } from 'drizzle-orm'
import {
  type AnyPgColumn,
  bigint,
  bigserial,
  boolean,
  customType,
  date,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  uniqueIndex,
  uuid,
  varchar,
} from 'drizzle-orm/pg-core'
import type { Answer } from '../../core/answers/index.ts'
import type { AutomaticKind } from '../../core/mail/index.ts'
import type { Notice } from '../../core/notices/index.ts'
import type { SentLimit } from '../../core/receipt/index.ts'
import type { Receiver } from '../../core/receivers/index.ts'
import type { RequestItem } from '../../core/requests/index.ts'
import type { Language } from '../../core/lexicon/index.ts'
import type { Assessment, VerdictChange } from '../../core/pipeline/index.ts'
import type { Page, Rotation } from '../../core/model/index.ts'
import type { DocumentType, Program, Register } from '../../core/program/index.ts'
import { dateOrders, NO_CURRENCY } from '../../core/locale/index.ts'
import type { DocumentReading } from '../../core/extraction/index.ts'
import type { Learnt, Piece, Rule, TrialScore } from '../../core/classification/index.ts'
import { packedJson, packedText } from './packed.ts'

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
const moment = (name: string) => timestamp(name, { withTimezone: true })

export const roles = ['processor', 'reviewer', 'lead', 'administrator'] as const
export type Role = (typeof roles)[number]

/** A lender or a desk of its own: its people, packages, rules and learning are nobody else's to see. */
export const organisations = pgTable('organisation', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** Letters in front of its case numbers. */
  casePrefix: text('case_prefix').notNull(),
  /** How its papers are written where they do not show it: ISO 3166, ISO 4217, ISO 639. */
  country: text('country'),
  currency: text('currency').notNull().default(NO_CURRENCY),
  dateOrder: text('date_order', { enum: dateOrders }),
  languages: text('languages')
    .array()
    .notNull()
    .default(sql`'{en}'`),
  /** By which applicants know it, `#rrggbb`. */
  colour: text('colour'),
  /** Roles whose people sign in with a second factor. */
  secondFactorFor: text('second_factor_for')
    .array()
    .$type<Role[]>()
    .notNull()
    .default(sql`'{}'`),
})
/** The organisation of whoever was not given another. Its row is made by the migration. */
export const FIRST_ORGANISATION = 'first'
const organisation = () =>
  text('organisation_id')
    .notNull()
    .default(FIRST_ORGANISATION)
    .references(() => organisations.id)

/* People and their sessions; the columns are those of the sign-in library. */
export const user = pgTable('user', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  email: text('email').notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text('image'),
  role: text('role', { enum: roles }).notNull().default('processor'),
  organisationId: organisation(),
  /** A code of a second device is asked for when they sign in. */
  twoFactorEnabled: boolean('two_factor_enabled').notNull().default(false),
  /** Another system that works here by a key: it is no colleague, and never signs in. */
  isSystem: boolean('is_system').notNull().default(false),
  /** Since when the person may not sign in any more. */
  disabledAt: moment('disabled_at'),
  createdAt: moment('created_at').notNull().defaultNow(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
})
export const session = pgTable(
  'session',
  {
    id: text('id').primaryKey(),
    expiresAt: moment('expires_at').notNull(),
    token: text('token').notNull().unique(),
    createdAt: moment('created_at').notNull().defaultNow(),
    updatedAt: moment('updated_at').notNull().defaultNow(),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
  },
  (t) => [index('session_user').on(t.userId)],
)
export const account = pgTable('account', {
  id: text('id').primaryKey(),
  accountId: text('account_id').notNull(),
  providerId: text('provider_id').notNull(),
  userId: text('user_id')
    .notNull()
    .references(() => user.id, { onDelete: 'cascade' }),
  accessToken: text('access_token'),
  refreshToken: text('refresh_token'),
  idToken: text('id_token'),
  accessTokenExpiresAt: moment('access_token_expires_at'),
  refreshTokenExpiresAt: moment('refresh_token_expires_at'),
  scope: text('scope'),
  password: text('password'),
  createdAt: moment('created_at').notNull().defaultNow(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
})
export const twoFactor = pgTable(
  'two_factor',
  {
    id: text('id').primaryKey(),
    secret: text('secret').notNull(),
    backupCodes: text('backup_codes').notNull(),
    userId: text('user_id')
      .notNull()
      .references(() => user.id, { onDelete: 'cascade' }),
    verified: boolean('verified').notNull().default(true),
    failedVerificationCount: integer('failed_verification_count').notNull().default(0),
    lockedUntil: moment('locked_until'),
  },
  (t) => [index('two_factor_user').on(t.userId), index('two_factor_secret').on(t.secret)],
)
export const verification = pgTable('verification', {
  id: text('id').primaryKey(),
  identifier: text('identifier').notNull(),
  value: text('value').notNull(),
  expiresAt: moment('expires_at').notNull(),
  createdAt: moment('created_at').notNull().defaultNow(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
})

/**
 * `review`: the work is done and a second person looks at it before it is finished. `sample`: papers that a
 * type is written from; they are read, and never judged, queued or learnt from.
 */
export const packageStates = ['empty', 'reading', 'open', 'review', 'finished', 'sample'] as const
export type PackageState = (typeof packageStates)[number]

/** A document of a package without what was read of it. */
export interface DocumentInShort {
  type: string
  pages: number[]
  /** A person said its type. */
  typeSaid: boolean
}

/** A package of an applicant's papers, with its last judgement. */
export const packages = pgTable(
  'package',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    caseNumber: text('case_number').notNull(),
    /** The number by which whoever sent it knows it. */
    reference: text('reference'),
    program: text('program').notNull(),
    /** The version of the program it is judged by; a newer one is taken knowingly. */
    programVersion: integer('program_version').notNull().default(1),
    /** The day it is judged on. */
    asOf: date('as_of', { mode: 'string' }).notNull(),
    state: text('state', { enum: packageStates }).notNull().default('empty'),
    applicant: text('applicant'),
    ownerId: text('owner_id').references(() => user.id, { onDelete: 'set null' }),
    pageCount: integer('page_count').notNull().default(0),
    pagesRead: integer('pages_read').notNull().default(0),
    /** Pages that the second reader looked at: with each, what is known of the pages changes. */
    pagesLookedAt: integer('pages_looked_at').notNull().default(0),
    looseCount: integer('loose_count').notNull().default(0),
    openRequirements: integer('open_requirements').notNull().default(0),
    /** Decisions against the papers that wait for a second person. */
    toSign: integer('to_sign').notNull().default(0),
    /** Something in it is for the lead's eye. */
    flagged: boolean('flagged').notNull().default(false),
    /** It goes before others. */
    first: boolean('goes_first').notNull().default(false),
    pieces: jsonb('pieces').$type<Piece[]>(),
    assessment: packedJson<Assessment>('assessment'),
    /** Its documents in short, as they stand in the verdict: whoever looks over many packages opens no verdicts. */
    documents: jsonb('documents').$type<DocumentInShort[]>(),
    /** The types that its papers are taken for. */
    types: text('types')
      .array()
      .notNull()
      .default(sql`'{}'`),
    /** Why it could not be checked, in a sentence; null where it was, or nobody tried yet. */
    problem: text('problem'),
    /** Grows with every judgement, so that a screen can tell that it is behind. */
    version: integer('version').notNull().default(0),
    createdById: text('created_by_id').references(() => user.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
    updatedAt: moment('updated_at').notNull().defaultNow(),
    finishedAt: moment('finished_at'),
    /** Who said that the work is done, while somebody else looks at it. */
    finishAskedById: text('finish_asked_by_id').references(() => user.id, { onDelete: 'set null' }),
    /** A version of its program that it once had asks for a second person: going back to an older one ends nothing of that. */
    signOffKept: boolean('sign_off_kept').notNull().default(false),
    /** Why it must not be erased, as by a court's order; null where nothing holds it. */
    heldBecause: text('held_because'),
    /** Who asks for it to be erased for good, and why; somebody else agrees. */
    eraseAskedById: text('erase_asked_by_id').references(() => user.id, { onDelete: 'set null' }),
    eraseReason: text('erase_reason'),
  },
  (t) => [
    index('package_queue').on(t.organisationId, t.state, t.createdAt),
    index('package_owner').on(t.ownerId),
    uniqueIndex('package_case').on(t.organisationId, t.caseNumber),
    index('package_search').using(
      'gin',
      sql`to_tsvector('simple', ${t.caseNumber} || ' ' || coalesce(${t.applicant}, ''))`,
    ),
  ],
)

/**
 * What was finished, as it stood: handed out the same for ever, whatever is set up or learnt later. A package that is
 * opened again and finished anew has another round.
 */
export const finishedReports = pgTable(
  'finished_report',
  {
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    round: integer('round').notNull(),
    /** The report as it is handed out, to the letter. */
    report: packedText('report').notNull(),
    /** SHA-256 of the report; it stands in the trail, too. */
    sha256: text('sha256').notNull(),
    /** The types that its papers were read by. */
    types: jsonb('types').$type<DocumentType[]>().notNull(),
    /** The last act on the package before it was finished. */
    lastAct: bigint('last_act', { mode: 'number' }).notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.packageId, t.round] })],
)

/**
 * The key that a package's words in the trail are written under. Thrown away, they are nobody's any more, while the
 * chain over them stays whole.
 */
export const packageKeys = pgTable('package_key', {
  packageId: uuid('package_id').primaryKey(),
  key: bytea('key').notNull(),
})

export const fileStates = ['arriving', 'waiting', 'reading', 'read', 'unusable'] as const

/** A file as it came in. Files unfolded from an archive or message name their parent. */
export const files = pgTable(
  'file',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    sha256: text('sha256'),
    size: integer('size').notNull().default(0),
    pages: integer('pages').notNull().default(0),
    state: text('state', { enum: fileStates }).notNull().default('arriving'),
    problem: text('problem'),
    /** What is to be known of it besides: scripts, files inside. */
    notices: jsonb('notices').$type<string[]>().notNull().default([]),
    parentId: uuid('parent_id'),
    /** What it came with, where nobody brought it. */
    arrivalId: uuid('arrival_id').references((): AnyPgColumn => arrivals.id, { onDelete: 'set null' }),
    broughtById: text('brought_by_id').references(() => user.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [
    index('file_package').on(t.packageId, t.createdAt),
    index('file_sha').on(t.sha256),
    index('file_arrival').on(t.arrivalId),
  ],
)

/** Pages as the readers leave them; `body` is null until a page is read. Their numbers never change. */
export const pages = pgTable(
  'page',
  {
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    fileId: uuid('file_id')
      .notNull()
      .references(() => files.id, { onDelete: 'cascade' }),
    filePage: integer('file_page').notNull(),
    width: integer('width'),
    height: integer('height'),
    body: jsonb('body').$type<Page>(),
    /** How a person said that it lies. */
    turned: integer('turned').$type<Rotation>(),
    /** It is being read again, since somebody turned it. */
    again: boolean('again').notNull().default(false),
  },
  (t) => [primaryKey({ columns: [t.packageId, t.number] }), index('page_file').on(t.fileId)],
)

/** Contents by their hash, in chunks, so that no machine needs more than the database's address. */
export const chunks = pgTable(
  'chunk',
  {
    sha256: text('sha256').notNull(),
    position: integer('position').notNull(),
    bytes: bytea('bytes').notNull(),
    /** When somebody last brought them: what nobody names yet may be named in a moment. */
    keptAt: moment('kept_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.sha256, t.position] })],
)

/** Drawn pictures of pages, by width. */
export const pictures = pgTable(
  'picture',
  {
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    page: integer('page').notNull(),
    size: text('size', { enum: ['small', 'large'] }).notNull(),
    bytes: bytea('bytes').notNull(),
  },
  (t) => [primaryKey({ columns: [t.packageId, t.page, t.size] })],
)

/** Readings of documents by their type and pages: kept, so that an answer reads again only what it changed. */
export const readings = pgTable(
  'reading',
  {
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    key: text('key').notNull(),
    body: jsonb('body').$type<DocumentReading>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.packageId, t.key] })],
)

/** What people said. Never changed by a run; undoing marks, redoing unmarks. */
export const answers = pgTable(
  'answer',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    userId: text('user_id').references(() => user.id, { onDelete: 'set null' }),
    body: jsonb('body').$type<Answer>().notNull(),
    /** What was asked or done, in words, for the history and for undo. */
    summary: text('summary').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
    undoneAt: moment('undone_at'),
  },
  (t) => [index('answer_package').on(t.packageId, t.id)],
)

/**
 * Document types as an organisation has them: every save is a version of its own, the highest counts. The
 * first of those it began with has no author.
 */
export const documentTypes = pgTable(
  'document_type',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    organisationId: organisation(),
    type: text('type').notNull(),
    version: integer('version').notNull(),
    body: jsonb('body').$type<DocumentType>().notNull(),
    createdById: text('created_by_id').references(() => user.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [uniqueIndex('document_type_version').on(t.organisationId, t.type, t.version)],
)

/** Programs as an organisation has them, in versions as document types are. */
export const programs = pgTable(
  'program',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    organisationId: organisation(),
    program: text('program').notNull(),
    version: integer('version').notNull(),
    body: jsonb('body').$type<Program>().notNull(),
    createdById: text('created_by_id').references(() => user.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [uniqueIndex('program_version').on(t.organisationId, t.program, t.version)],
)

/** Wordings that corrections taught: what leads to a field on papers of a type. */
export const learntLabels = pgTable(
  'learnt_label',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    organisationId: organisation(),
    type: text('type').notNull(),
    field: text('field').notNull(),
    wording: text('wording').notNull(),
    /** It begins lines of a table that are no rows. */
    skips: boolean('skips').notNull().default(false),
    /** The example. */
    packageId: uuid('package_id').references(() => packages.id, { onDelete: 'set null' }),
    page: integer('page').notNull(),
    taughtById: text('taught_by_id').references(() => user.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
    removedAt: moment('removed_at'),
  },
  (t) => [index('learnt_label_type').on(t.organisationId, t.type, t.id)],
)

/** What a learnt wording changed on papers that waited. */
export const taughtChanges = pgTable(
  'taught_change',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    labelId: bigint('label_id', { mode: 'number' })
      .notNull()
      .references(() => learntLabels.id, { onDelete: 'cascade' }),
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    page: integer('page').notNull(),
    field: text('field').notNull(),
    before: text('before').notNull(),
    after: text('after').notNull(),
    /** A question less for somebody. */
    settled: boolean('settled').notNull(),
  },
  (t) => [index('taught_change_label').on(t.labelId)],
)

/** Registers that papers are compared with, as an organisation describes them. */
export const registers = pgTable(
  'register',
  {
    organisationId: organisation(),
    id: text('id').notNull(),
    body: jsonb('body').$type<Register>().notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.organisationId, t.id] })],
)

/** Whom finished packages go to, as an organisation describes them. */
export const receivers = pgTable(
  'receiver',
  {
    organisationId: organisation(),
    id: text('id').notNull(),
    body: jsonb('body').$type<Receiver>().notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
    updatedAt: moment('updated_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.organisationId, t.id] })],
)

/** Entries of registers, as they were taken in. */
export const registerRows = pgTable(
  'register_row',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    organisationId: organisation(),
    /** Of which register. */
    register: text('kind').notNull(),
    /** The number without marks; null where the register has none. */
    key: text('key'),
    /** The name, folded, for likeness. */
    name: text('name').notNull(),
    body: jsonb('body').$type<Record<string, string>>().notNull(),
  },
  (t) => [
    index('register_row_key').on(t.organisationId, t.register, t.key),
    index('register_row_name').using('gin', t.name.op('gin_trgm_ops')),
  ],
)

/** Rules by people on where documents begin and what they are. Only those that are on take part in cutting. */
export const rules = pgTable(
  'rule',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    body: jsonb('body').$type<Rule>().notNull(),
    on: boolean('is_on').notNull().default(false),
    /** Another body of a rule that is on, which takes its place when a lead says so. */
    draft: jsonb('draft').$type<Rule>(),
    changedById: text('changed_by_id').references(() => user.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
    updatedAt: moment('updated_at').notNull().defaultNow(),
  },
  (t) => [index('rule_organisation').on(t.organisationId, t.createdAt)],
)

/** For how many days finished packages of a program are kept; programs without a row keep theirs. */
export const retentions = pgTable(
  'retention',
  {
    organisationId: organisation(),
    program: text('program').notNull(),
    days: integer('days').notNull(),
  },
  (t) => [primaryKey({ columns: [t.organisationId, t.program] })],
)

/** Work that failed for good, until somebody has it done again or lets it be. */
export const failedJobs = pgTable(
  'failed_job',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    organisationId: text('organisation_id').references(() => organisations.id),
    packageId: uuid('package_id').references(() => packages.id, { onDelete: 'cascade' }),
    task: text('task').notNull(),
    payload: jsonb('payload').notNull(),
    /** What went wrong, without what the work was given. */
    error: text('error').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (t) => [index('failed_job_organisation').on(t.organisationId, t.id)],
)

export const lessonStates = ['learning', 'ready', 'failed'] as const

/**
 * What was learnt from confirmed papers, and how it did on packages kept aside. Once ready it never changes;
 * one at most is on.
 */
export const lessons = pgTable(
  'lesson',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    state: text('state', { enum: lessonStates }).notNull().default('learning'),
    on: boolean('is_on').notNull().default(false),
    body: jsonb('body').$type<Learnt>(),
    trial: jsonb('trial').$type<LessonTrial>(),
    createdById: text('created_by_id').references(() => user.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [
    index('lesson_organisation').on(t.organisationId, t.createdAt),
    uniqueIndex('lesson_on')
      .on(t.organisationId)
      .where(sql`${t.on}`),
  ],
)

export const scopes = ['read', 'bring', 'work'] as const
/** What a key is good for: to look, to bring papers, to answer and finish; one of a device, to hand in what it scanned. */
export type Scope = (typeof scopes)[number] | 'arrive'

/** Another system that comes by a key. What it does stands in the trail under its own name. */
export const integrations = pgTable(
  'integration',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    /** As whom it acts. */
    userId: text('user_id')
      .notNull()
      .references(() => user.id),
    name: text('name').notNull(),
    /** SHA-256 of the key, which nobody keeps. */
    keyHash: text('key_hash').notNull().unique(),
    /** Its last letters, to tell keys apart by. */
    keyEnd: text('key_end').notNull(),
    scopes: text('scopes').array().$type<Scope[]>().notNull(),
    /** The device that it is the key of; null for another system. */
    sourceId: uuid('source_id').references((): AnyPgColumn => sources.id, { onDelete: 'cascade' }),
    expiresAt: moment('expires_at'),
    lastUsedAt: moment('last_used_at'),
    revokedAt: moment('revoked_at'),
    createdById: text('created_by_id').references(() => user.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [index('integration_organisation').on(t.organisationId, t.createdAt)],
)

/** What was answered to a request that names itself, so that the same one again changes nothing. */
export const answeredRequests = pgTable(
  'answered_request',
  {
    integrationId: uuid('integration_id')
      .notNull()
      .references(() => integrations.id, { onDelete: 'cascade' }),
    key: text('key').notNull(),
    /** SHA-256 of what was asked: another request under the same name is a mistake. */
    asked: text('asked').notNull(),
    packageId: uuid('package_id').references(() => packages.id, { onDelete: 'cascade' }),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.integrationId, t.key] })],
)

/**
 * A folder of the machine, a mailbox that is looked into, an address that mail is handed in for, a counter's device, the
 * links that applicants answer by.
 */
export const sourceKinds = ['folder', 'mailbox', 'address', 'device', 'link'] as const
export type SourceKind = (typeof sourceKinds)[number]

/** What whoever stands before a device chooses, and what is expected of the papers then. */
export interface DeviceButton {
  id: string
  title: string
  /** The program that its papers are judged by. */
  program: string
  /** The type that is put in; null where any is. */
  type: string | null
  limits: SentLimit[]
  /** Identity papers are shown to the service that looks whether they are real. */
  identityCheck: boolean
}

/** Where papers come from by themselves. Addresses are the machine's to set; what becomes of what comes is said here. */
export const sources = pgTable(
  'source',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    kind: text('kind', { enum: sourceKinds }).notNull(),
    /** Of a folder, its path; of mail, its address; of a device, its id. */
    address: text('address').notNull(),
    name: text('name').notNull(),
    /** The program that its packages are judged by; null where nobody has said. */
    program: text('program'),
    paused: boolean('paused').notNull().default(false),
    /** Of a device, what may be chosen on it. */
    buttons: jsonb('buttons').$type<DeviceButton[]>().notNull().default([]),
    /** Why nothing can come just now, and since when. */
    problem: text('problem'),
    problemSince: moment('problem_since'),
    /** When it was last looked at. */
    lookedAt: moment('looked_at'),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [uniqueIndex('source_address').on(t.organisationId, t.kind, t.address)],
)

/** A file of an arrival, in the store. */
export interface ArrivedFile {
  name: string
  sha256: string
  size: number
}

/**
 * `opening`: a worker takes it apart. `left alone`: it is nothing for anybody, as an out-of-office answer is. `set
 * aside`: a person said that it is not to be taken.
 */
export const arrivalOutcomes = ['opening', 'taken', 'not taken', 'left alone', 'set aside'] as const
export type ArrivalOutcome = (typeof arrivalOutcomes)[number]

/** What came by itself: a file or a folder of a watched folder, a message, a call of another system. */
export const arrivals = pgTable(
  'arrival',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    sourceId: uuid('source_id').references(() => sources.id, { onDelete: 'set null' }),
    integrationId: uuid('integration_id').references(() => integrations.id, { onDelete: 'set null' }),
    /** By which the source knows that it handed this over already, whatever was killed when. */
    identity: text('identity').notNull(),
    /** SHA-256 over its contents: the same papers again are noticed. */
    digest: text('digest').notNull(),
    name: text('name').notNull(),
    files: jsonb('files').$type<ArrivedFile[]>().notNull(),
    size: bigint('size', { mode: 'number' }).notNull(),
    /** SHA-256 of the message that carried it, in the store. */
    message: text('message'),
    /** Which button of a device was chosen. */
    button: text('button'),
    /** Of an applicant's answer, what it answers, and which item of that; null where they left that to us. */
    requestId: uuid('request_id').references((): AnyPgColumn => requests.id, { onDelete: 'set null' }),
    requestItem: text('request_item'),
    outcome: text('outcome', { enum: arrivalOutcomes }).notNull().default('opening'),
    packageId: uuid('package_id').references(() => packages.id, { onDelete: 'cascade' }),
    /** Another package that it may belong to: a person is asked. */
    maybeOfId: uuid('maybe_of_id').references(() => packages.id, { onDelete: 'set null' }),
    /** When whoever sent it was told that it is being worked on, and when what became of it. */
    toldSomeAt: moment('told_some_at'),
    toldAt: moment('told_at'),
    /** Why it, or a part of it, is in no package; null where all of it is. */
    problem: text('problem'),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [
    uniqueIndex('arrival_identity').on(t.organisationId, t.sourceId, t.identity),
    index('arrival_organisation').on(t.organisationId, t.createdAt),
    index('arrival_digest').on(t.organisationId, t.digest),
    index('arrival_package').on(t.packageId),
    index('arrival_message').on(t.message),
    index('arrival_request').on(t.requestId),
  ],
)

/** A small file of words that goes with a letter, as a day for a calendar. */
export interface LetterAttachment {
  name: string
  type: string
  text: string
}

export const messageStates = ['came', 'waiting', 'sent', 'failed'] as const

/** Letters that came and went by mail. A thread is known by the ids of its messages (RFC 5322). */
export const messages = pgTable(
  'message',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    packageId: uuid('package_id').references(() => packages.id, { onDelete: 'cascade' }),
    /** What it brought, or what it answers. */
    arrivalId: uuid('arrival_id').references((): AnyPgColumn => arrivals.id, { onDelete: 'cascade' }),
    /** `came` from outside, or one of ours and how far it is. */
    state: text('state', { enum: messageStates }).notNull(),
    /** Whoever wrote it, or gets it, is known from the package: others are told of their own papers alone. */
    known: boolean('known').notNull().default(false),
    /** What one of ours is for: an arrival is told of once of each kind. */
    kind: text('kind'),
    /** The request that it is of: its link stands in the words only while they go out. */
    requestId: uuid('request_id').references((): AnyPgColumn => requests.id, { onDelete: 'cascade' }),
    /** `<id@host>` */
    messageId: text('message_id').notNull(),
    /** Ids of the messages that it answers, the latest last. */
    references: text('references').array().notNull(),
    sender: text('sender').notNull(),
    senderName: text('sender_name').notNull().default(''),
    recipients: text('recipients').array().notNull(),
    subject: text('subject').notNull(),
    language: text('language').notNull(),
    /** What wrote it, where no person did. */
    automatic: text('automatic').$type<AutomaticKind>(),
    /** The words of one of ours; of one that came they stay in the store. */
    text: text('text'),
    /** Why one of ours is not sent yet, or never was. */
    problem: text('problem'),
    /** What goes with one of ours. */
    attachments: jsonb('attachments').$type<LetterAttachment[]>().notNull().default([]),
    tries: integer('tries').notNull().default(0),
    sentAt: moment('sent_at'),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [
    index('message_package').on(t.packageId, t.createdAt),
    index('message_thread').on(t.organisationId, t.messageId),
    index('message_sender').on(t.organisationId, t.sender),
    uniqueIndex('message_kind').on(t.arrivalId, t.kind),
  ],
)

/**
 * `to sign`: a second person looks at it before it is sent. `done`: all that it asks for came, or was answered. `called
 * back`: it is not needed any more.
 */
export const requestStates = ['draft', 'to sign', 'sent', 'called back', 'done'] as const
export type RequestState = (typeof requestStates)[number]

/** An item as it was sent. */
export interface SentItem extends RequestItem {
  /** Words in place of the usual ones. */
  own: string | null
  /** The day that an earlier request asked for it, ISO. */
  askedOn: string | null
}

/** What somebody made of an item while the request was a draft. */
export interface ItemChoice {
  on: boolean
  own: string | null
}

/** What an applicant is asked for; one draft of a package at a time. */
export const requests = pgTable(
  'request',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    state: text('state', { enum: requestStates }).notNull().default('draft'),
    language: text('language').$type<Language>().notNull(),
    recipient: text('recipient').notNull().default(''),
    /** Words before and behind the items; empty for the usual ones. */
    opening: text('opening').notNull().default(''),
    closing: text('closing').notNull().default(''),
    due: date('due', { mode: 'string' }),
    choices: jsonb('choices').$type<Record<string, ItemChoice>>().notNull().default({}),
    /** How often somebody changed the draft, and who did last: two who write at once are told. */
    edition: integer('edition').notNull().default(0),
    changedById: text('changed_by_id').references(() => user.id, { onDelete: 'set null' }),
    /** Items that somebody added by hand. */
    added: jsonb('added').$type<RequestItem[]>().notNull().default([]),
    /** What it asks for since it was sent; a draft's follow from the verdict. */
    items: jsonb('items').$type<SentItem[]>().notNull().default([]),
    /** What its link is made of together with the installation's secret, and the SHA-256 of that link's token. */
    linkSalt: text('link_salt'),
    tokenHash: text('token_hash').unique(),
    linkEnds: moment('link_ends'),
    /** When the applicant first opened it. */
    openedAt: moment('opened_at'),
    createdById: text('created_by_id').references(() => user.id, { onDelete: 'set null' }),
    sentById: text('sent_by_id').references(() => user.id, { onDelete: 'set null' }),
    sentAt: moment('sent_at'),
    /** When the applicant is reminded next; null where they are not any more. */
    remindAt: moment('remind_at'),
    reminders: integer('reminders').notNull().default(0),
    endedAt: moment('ended_at'),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [
    index('request_package').on(t.packageId, t.createdAt),
    index('request_remind').on(t.remindAt),
    uniqueIndex('request_draft')
      .on(t.packageId)
      .where(sql`${t.state} in ('draft', 'to sign')`),
  ],
)

/** What applicants said in place of papers. The last on an item counts; none is ever overwritten. */
export const statements = pgTable(
  'statement',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    requestId: uuid('request_id')
      .notNull()
      .references(() => requests.id, { onDelete: 'cascade' }),
    item: text('item').notNull(),
    kind: text('kind', { enum: ['value', 'words', 'cannot'] }).notNull(),
    text: text('text').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (t) => [index('statement_request').on(t.requestId, t.id)],
)

/** A file that comes by a link in pieces, each of which stays when the line breaks. */
export const comingFiles = pgTable(
  'coming_file',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    requestId: uuid('request_id')
      .notNull()
      .references(() => requests.id, { onDelete: 'cascade' }),
    item: text('item'),
    name: text('name').notNull(),
    size: bigint('size', { mode: 'number' }).notNull(),
    /** Bytes that are there. */
    offset: bigint('offset', { mode: 'number' }).notNull().default(0),
    /** What it was taken as, once it is whole. */
    arrivalId: uuid('arrival_id').references((): AnyPgColumn => arrivals.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [index('coming_file_request').on(t.requestId)],
)

export const taskKinds = [
  'sign a decision',
  'sign off',
  'sign a request',
  'mail came back',
  'poor copy',
  'high amount',
  'notice',
  'request overdue',
  'request answered',
] as const
export type TaskKind = (typeof taskKinds)[number]

/** Something that somebody has to do about a package. It ends by itself when its cause does. */
export const tasks = pgTable(
  'task',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    kind: text('kind', { enum: taskKinds }).notNull(),
    /** What of the package it is about: the same cause is one task. */
    cause: text('cause').notNull(),
    /** What is to be done and why, in a sentence. */
    reason: text('reason').notNull(),
    /** Where in the package. */
    place: text('place').notNull(),
    /** Who may do it: the roles that have this right; null for anybody of the desk. */
    right: text('right'),
    ownerId: text('owner_id').references(() => user.id, { onDelete: 'set null' }),
    due: moment('due'),
    createdAt: moment('created_at').notNull().defaultNow(),
    endedAt: moment('ended_at'),
    /** Who said that it is done; null where it ended by itself. */
    endedById: text('ended_by_id').references(() => user.id, { onDelete: 'set null' }),
  },
  (t) => [
    index('task_open')
      .on(t.organisationId, t.createdAt)
      .where(sql`${t.endedAt} is null`),
    uniqueIndex('task_cause')
      .on(t.packageId, t.kind, t.cause)
      .where(sql`${t.endedAt} is null`),
  ],
)

/** Rules that tell somebody of papers. One that was changed is tried on past packages before it is on again. */
export const notices = pgTable(
  'notice',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    body: jsonb('body').$type<Notice>().notNull(),
    on: boolean('is_on').notNull().default(false),
    /** When it was tried as it stands now. */
    triedAt: moment('tried_at'),
    changedById: text('changed_by_id').references(() => user.id, { onDelete: 'set null' }),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [index('notice_organisation').on(t.organisationId, t.createdAt)],
)

export const postStates = ['waiting', 'sent', 'failed'] as const

/** What rules told of papers, each paper once. */
export const noticesTold = pgTable(
  'notice_told',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    noticeId: uuid('notice_id')
      .notNull()
      .references(() => notices.id, { onDelete: 'cascade' }),
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    /** The paper, by its pages. */
    document: text('document').notNull(),
    page: integer('page').notNull(),
    /** The sentence that was told. */
    text: text('text').notNull(),
    due: date('due', { mode: 'string' }),
    lead: boolean('lead').notNull(),
    /** How far the posting of it is; null where it is posted nowhere. */
    post: text('post', { enum: postStates }),
    at: moment('at').notNull().defaultNow(),
  },
  (t) => [
    uniqueIndex('notice_told_once').on(t.noticeId, t.packageId, t.document),
    index('notice_told_package').on(t.packageId),
  ],
)

export const identityVerdicts = ['valid', 'not valid', 'cannot tell'] as const
export type IdentityVerdict = (typeof identityVerdicts)[number]

/**
 * What a service says of identity papers, which stands beside our own reading and never in place of it.
 */
export const identityChecks = pgTable(
  'identity_check',
  {
    packageId: uuid('package_id')
      .notNull()
      .references(() => packages.id, { onDelete: 'cascade' }),
    /** The first page of the paper. */
    page: integer('page').notNull(),
    /** Null while it is asked. */
    verdict: text('verdict', { enum: identityVerdicts }),
    /** Why, in its words. */
    reasons: text('reasons')
      .array()
      .notNull()
      .default(sql`'{}'`),
    at: moment('at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.packageId, t.page] })],
)

export const trialStates = ['trying', 'done', 'failed'] as const

/** A package whose verdict a draft would change, and how. */
export interface WouldChange {
  packageId: string
  caseNumber: string
  applicant: string | null
  state: string
  changes: VerdictChange[]
}

/** A draft of a program, tried on the packages that were judged by it. Gone after a day: it holds applicants' names. */
export const trials = pgTable(
  'trial',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    organisationId: organisation(),
    createdById: text('created_by_id').references(() => user.id, { onDelete: 'cascade' }),
    draft: jsonb('draft').$type<Program>().notNull(),
    state: text('state', { enum: trialStates }).notNull().default('trying'),
    /** Packages that it is tried on, once they are counted. */
    packages: integer('packages'),
    tried: integer('tried').notNull().default(0),
    differing: jsonb('differing').$type<WouldChange[]>().notNull().default([]),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (t) => [index('trial_organisation').on(t.organisationId, t.createdAt)],
)

/** What a lesson was made of, and how packages that it knows nothing of were taken apart without it and with it. */
export interface LessonTrial {
  samples: { type: string; papers: number }[]
  packagesAside: number
  before: TrialScore
  after: TrialScore
}

/** Every act, append-only: a trigger refuses changes. */
export const audit = pgTable(
  'audit',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: moment('at').notNull().defaultNow(),
    userId: text('user_id'),
    userName: text('user_name').notNull(),
    packageId: uuid('package_id'),
    act: text('act').notNull(),
    /** Words under the package's key, or plain ones of what is nobody's papers. */
    detail: text('detail').notNull().default(''),
    /** Whose people may read of it; null for what concerns the whole machine. */
    organisationId: text('organisation_id'),
    /** How its digest is made: 1 knows no organisation. */
    form: smallint('form').notNull().default(2),
  },
  (t) => [
    index('audit_package').on(t.packageId, t.id),
    index('audit_organisation').on(t.organisationId, t.id),
  ],
)

/**
 * The chain of the audit trail: each act in the order in which it became final, with a digest over itself and
 * the one before. Written by the database when an act becomes final; see \`trail.ts\`.
 */
export const auditLinks = pgTable('audit_link', {
  position: bigint('position', { mode: 'number' }).primaryKey(),
  auditId: bigint('audit_id', { mode: 'number' }).notNull().unique(),
  digest: text('digest').notNull(),
})

/** Worker processes alive; each holds an advisory lock that ends with it. */
export const workers = pgTable('worker_process', {
  id: integer('id').primaryKey(),
  workerIds: jsonb('worker_ids').$type<string[]>().notNull().default([]),
  startedAt: moment('started_at').notNull().defaultNow(),
})

/** What is counted to be limited; the columns are those of the throttling library. */
export const rateLimits = pgTable('rate_limit', {
  key: varchar('key', { length: 255 }).primaryKey(),
  points: integer('points').notNull().default(0),
  expire: bigint('expire', { mode: 'number' }),
})
