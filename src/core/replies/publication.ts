import * as v from 'valibot'
import { list } from './shared'

/** How far a publication is: files by their number, and bytes where they are known. */
export const publishProgressSchema = v.object({
  step: v.picklist(['building', 'sending', 'switching']),
  done: v.number(),
  total: v.number(),
  /** How many bytes have been sent, and of how many. */
  bytes: v.optional(v.pipe(v.tuple([v.number(), v.number()]), v.readonly())),
})
export type PublishProgress = Readonly<v.InferOutput<typeof publishProgressSchema>>

const plannedFile = v.object({ path: v.string(), bytes: v.number() })
/** What publishing would change; where others put files too, with those: left alone, or where ours would go. */
export const preparedSchema = v.object({
  revision: v.number(),
  destination: v.string(),
  plan: v.object({
    added: list(plannedFile),
    changed: list(plannedFile),
    removed: list(plannedFile),
    unchanged: v.number(),
    bytesToSend: v.number(),
    bytesTotal: v.number(),
  }),
  foreign: list(v.string()),
  inTheWay: list(v.string()),
  address: v.string(),
  origin: v.string(),
})
export type Prepared = Readonly<v.InferOutput<typeof preparedSchema>>

export const publishedSchema = v.object({
  sentFiles: v.number(),
  sentBytes: v.number(),
  /** An address whose visitors are not sent on yet, since the host did not take it; it is tried again. */
  notSentOn: v.nullable(v.string()),
  origin: v.string(),
})
export type Published = Readonly<v.InferOutput<typeof publishedSchema>>

/** The steps of a connection, in the order in which they are tried; those that a kind does not have are left out. */
export const TEST_STEPS = [
  'name',
  'port',
  'greeting',
  'certificate',
  'host key',
  'login',
  'folder',
  'bucket',
  'write',
  'read back',
  'remove',
] as const
export type TestStep = (typeof TEST_STEPS)[number]

const step = v.picklist(TEST_STEPS)
/** What came of a step: `said` is what was tried and what came back, `advice` the likely cause and what to do. */
export const testResultSchema = v.variant('state', [
  v.object({ step, state: v.literal('done'), said: v.string() }),
  v.object({ step, state: v.literal('failed'), said: v.string(), advice: v.string() }),
  v.object({ step, state: v.literal('not reached') }),
])
export type TestResult = Readonly<v.InferOutput<typeof testResultSchema>>
/** `knownBy`: the key of a host, or a certificate that nobody vouches for. */
export const testedConnectionSchema = v.object({ results: list(testResultSchema), knownBy: v.nullable(v.string()) })
export type TestedConnection = Readonly<v.InferOutput<typeof testedConnectionSchema>>

export const addedDestinationSchema = v.object({ id: v.string() })
export type AddedDestination = Readonly<v.InferOutput<typeof addedDestinationSchema>>

export const lookProgressSchema = v.object({ step: v.literal('looking'), done: v.number(), total: v.number() })
export type LookProgress = Readonly<v.InferOutput<typeof lookProgressSchema>>
/** What visitors get otherwise than it was sent, by file, in the order of their names. */
export const lookedSchema = v.object({ files: v.number(), faults: list(v.object({ path: v.string(), said: v.string() })) })
export type Looked = Readonly<v.InferOutput<typeof lookedSchema>>

const suggestions = list(v.string())
/** Whether a name can be a job's address on the web host, and which others can when it cannot. */
export const addressAnswerSchema = v.variant('state', [
  v.object({ state: v.picklist(['free', 'yours']), label: v.string(), shown: v.string() }),
  v.object({ state: v.literal('taken'), sentence: v.string(), suggestions }),
  v.object({ state: v.literal('refused'), sentence: v.string(), suggestions }),
])
export type AddressAnswer = Readonly<v.InferOutput<typeof addressAnswerSchema>>

/** Whether search engines are told of changes, and what became of the last notice; null where this installation tells nobody. */
export const noticeViewSchema = v.object({
  tells: v.boolean(),
  last: v.nullable(
    v.object({
      pages: v.number(),
      toldAt: v.nullable(v.string()),
      said: v.nullable(v.string()),
      /** It is not tried again, and told with the next release. */
      isOver: v.boolean(),
    }),
  ),
})
export type NoticeView = Readonly<v.InferOutput<typeof noticeViewSchema>>
export const noticesReplySchema = v.object({ notices: v.nullable(noticeViewSchema) })
export type NoticesReply = Readonly<v.InferOutput<typeof noticesReplySchema>>
