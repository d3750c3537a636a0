import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import ssh2 from 'ssh2'
import { sftpStandIn } from './sftp'
import { webStandIn } from './web'

/**
 * Starts a server of a client's: a folder that is reached by SFTP, and what visitors see of it. Settings come from the environment; both
 * ports listen on this computer only.
 */
const {
  CLIENT_SERVER_DATA = 'data/client-server',
  CLIENT_SERVER_SFTP_PORT = '4382',
  CLIENT_SERVER_PORT = '4383',
  CLIENT_SERVER_USER = 'tolliver',
  CLIENT_SERVER_PASSWORD = 'nine swallows over a barn',
} = process.env
const folder = path.join(CLIENT_SERVER_DATA, 'files', 'public_html')
mkdirSync(folder, { recursive: true })

webStandIn(folder).listen(Number(CLIENT_SERVER_PORT), '127.0.0.1')
sftpStandIn({
  hostKey: ownHostKey(path.join(CLIENT_SERVER_DATA, 'host-key')),
  account: { user: CLIENT_SERVER_USER, password: CLIENT_SERVER_PASSWORD },
  folder: path.join(CLIENT_SERVER_DATA, 'files'),
}).listen(Number(CLIENT_SERVER_SFTP_PORT), '127.0.0.1', () => {
  console.log(`A client’s server: SFTP on port ${CLIENT_SERVER_SFTP_PORT}, visitors on http://localhost:${CLIENT_SERVER_PORT}`)
})

/** The server's key: made at the first start, and the same ever after. */
function ownHostKey(file: string): string {
  try {
    writeFileSync(file, ssh2.utils.generateKeyPairSync('ed25519').private, { flag: 'wx', mode: 0o600 })
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
  }
  return readFileSync(file, 'utf8')
}
