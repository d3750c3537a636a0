import { backUp } from '../src/server/use-cases/backup'

/** Everything in one file, while the application runs: `npm run pack -- instant-fit.tar`. It holds secrets as the data folder does. */
const [to = `instant-fit-${new Date().toISOString().slice(0, 10)}.tar`] = process.argv.slice(2)
const { bytes } = await backUp(to)
console.log(`${to}, ${(bytes / 1024 / 1024).toFixed(1)} MB. To read it back, into an empty data folder: npm run unpack -- ${to}`)
