import type { Details, Sentences } from './details'

/** The database and the disk that everything is kept on. */
export const STORAGE = {
  databaseLocked: {
    status: 503,
    sentence: () =>
      'Another program is using the database, so nothing can be saved. Close that program; your waiting changes are then saved.',
  },
  databaseDamaged: {
    status: 503,
    sentence: (d: Details<'file'>) =>
      `Something wrote over the database ${d.file}: it cannot be read. Nothing was changed. Stop Instant Fit and put a copy in its place ` +
      '(npm run unpack).',
  },
  databaseEmptied: {
    status: 503,
    sentence: (d: Details<'file'>) =>
      `The database ${d.file} is gone or empty, though files of jobs are beside it. Nothing was changed. Stop Instant Fit and put a copy ` +
      'in its place (npm run unpack), or move the folder away to start again.',
  },
  databaseNewer: {
    status: 503,
    sentence: (d: Details<'found' | 'known'>) =>
      `The database is of a newer Instant Fit (version ${d.found}; this one knows ${d.known}). Nothing was changed. Start the newer one.`,
  },
  folderReadOnly: {
    status: 503,
    sentence: (d: Details<'file'>) =>
      `Instant Fit may not write into the folder of ${d.file}. Nothing was changed. Give it the right to, then load this again.`,
  },
  onlyToRead: {
    status: 503,
    sentence: () =>
      'The data folder cannot be written. Everything is shown as it was kept, and nothing can be changed. Give Instant Fit the right to ' +
      'write there, and it goes on by itself.',
  },
  diskFails: {
    status: 503,
    sentence: () =>
      'This computer’s disk does not read or write as it should, so nothing was changed. Make a copy of the data folder first.',
  },
  diskFull: {
    status: 507,
    sentence: () => 'This computer’s disk is full, so nothing was written. Make room and try again; what was saved before is safe.',
  },
} as const satisfies Sentences
