/** What we still have of what we sent to a destination before, so that it need not travel again. */
export type SentContents = {
  /** The content of a hash; null where it is not here. */
  readonly contentOf: (hash: string) => Buffer | null
  /** The list of what is ours there, as we wrote it last. */
  readonly list: () => Buffer | null
  readonly keepList: (list: Buffer) => void
}

export const NOTHING_SENT: SentContents = { contentOf: () => null, list: () => null, keepList: () => undefined }
