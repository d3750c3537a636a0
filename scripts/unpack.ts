import { NotRestored, restoreBackup } from '../src/server/use-cases/backup'

/** Reads a packed file back into an empty data folder: `npm run unpack -- instant-fit.tar`. */
const [from] = process.argv.slice(2)
try {
  if (from === undefined) throw new NotRestored('Which file? npm run unpack -- instant-fit.tar')
  await restoreBackup(from)
  console.log('Everything is there again. Start Instant Fit.')
} catch (error) {
  if (!(error instanceof NotRestored)) throw error
  console.error(error.message)
  process.exitCode = 1
}
