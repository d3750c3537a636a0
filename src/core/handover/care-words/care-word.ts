/** What a care sheet says; braces name what is put in their place. */
export type CareWord =
  | 'title'
  | 'intro'
  | 'where'
  | 'since'
  | 'ask'
  | 'askThem'
  | 'set'
  | 'host'
  | 'records'
  | 'certificate'
  | 'secrets'
  | 'facts'
  | 'tell'
  | 'beside'
  | 'siteFolder'
  | 'projectFolder'
  | 'gone'
  | 'goneWords'
  | 'fonts'
  | 'licences'
  | 'made'

/** The words of a care sheet in one language; from memory of everyday use, as are those that designs say of themselves. */
export type CareWords = Readonly<Record<CareWord, string>>
