import { NotUnpacked, unpack } from '../src/server/use-cases/pack-up'

/** Reads a packed file back into an empty data folder: `npm run unpack -- instant-fit.tar`. */
const [from] = process.argv.slice(2)
try {
  if (from === undefined) throw new NotUnpacked('Which file? npm run unpack -- instant-fit.tar')
  await unpack(from)
  console.log('Everything is there again. Start Instant Fit.')
} catch (error) {
  if (!(error instanceof NotUnpacked)) throw error
  console.error(error.message)
  process.exitCode = 1
}
