import { listEverybody, makeLink } from '../src/server/use-cases/use-pass'

/**
 * For whoever runs this computer: a link that lets somebody in who cannot sign in. `npm run let-in -- somebody@example.com` makes one for
 * a new password, good for half an hour; with `--once`, one that signs in as they are, good for a day. Without a name it says who there is.
 */
const [email] = process.argv.slice(2).filter((word) => !word.startsWith('--'))
const app = process.env.INSTANT_FIT_ADDRESS ?? `http://localhost:${process.env.INSTANT_FIT_PORT ?? '4310'}`
const once = process.argv.includes('--once')
const token = email === undefined ? null : once ? makeLink(email, 'sign-in', 24) : makeLink(email, 'recovery', 0.5)
if (token !== null) console.log(`${app}/link/${token}`)
else {
  const everybody = listEverybody().map(({ name, email: known }) => `  ${known}  ${name}`)
  console.error([email === undefined ? 'Whom to let in?' : `Nobody here has the address ${email}.`, ...everybody].join('\n'))
  process.exitCode = 1
}
