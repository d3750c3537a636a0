/** A release that visitors have seen, as the server tells of it; one without a file is the site taken off. */
export type ReleaseLine = {
  readonly id: string
  readonly number: number | null
  /** The page that went out alone in it, by its id. */
  readonly alone: string | null
  readonly at: string
  readonly files: number
  readonly bytes: number
  readonly address: string
  readonly live: boolean
  readonly by: string | null
  readonly note: string
}
