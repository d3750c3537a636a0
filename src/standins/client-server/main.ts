import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import ssh2 from 'ssh2'
import { selfSigned, type Signed } from './certificate'
import { ftpStandIn } from './ftp'
import { sftpStandIn } from './sftp'
import { webStandIn } from './web'

/**
 * Starts a server of a client's: a folder that is reached by SFTP and by FTP, and what visitors see of it. Settings come from the
 * environment; all ports listen on this computer only.
 */
const {
  CLIENT_SERVER_DATA = 'data/client-server',
  CLIENT_SERVER_SFTP_PORT = '4382',
  CLIENT_SERVER_PORT = '4383',
  CLIENT_SERVER_FTP_PORT = '4384',
  CLIENT_SERVER_USER = 'tolliver',
  CLIENT_SERVER_PASSWORD = 'nine swallows over a barn',
} = process.env
const folder = path.join(CLIENT_SERVER_DATA, 'files', 'public_html')
mkdirSync(folder, { recursive: true })

const files = path.join(CLIENT_SERVER_DATA, 'files')
const account = { user: CLIENT_SERVER_USER, password: CLIENT_SERVER_PASSWORD }
const hostKey = keptText('host-key', ssh2.utils.generateKeyPairSync('ed25519').private)
const tls = JSON.parse(keptText('certificate.json', JSON.stringify(await selfSigned('127.0.0.1', 3650)))) as Signed

webStandIn(folder).listen(Number(CLIENT_SERVER_PORT), '127.0.0.1')
ftpStandIn({ account, folder: files, tls }).listen(Number(CLIENT_SERVER_FTP_PORT), '127.0.0.1')
sftpStandIn({ hostKey, account, folder: files }).listen(Number(CLIENT_SERVER_SFTP_PORT), '127.0.0.1', () => {
  console.log(
    `A client’s server: SFTP on port ${CLIENT_SERVER_SFTP_PORT}, FTP on ${CLIENT_SERVER_FTP_PORT}, ` +
      `visitors on http://localhost:${CLIENT_SERVER_PORT}`,
  )
})

/** What proves who the server is: made at the first start, and the same ever after. */
function keptText(name: string, made: string): string {
  const file = path.join(CLIENT_SERVER_DATA, name)
  try {
    writeFileSync(file, made, { flag: 'wx', mode: 0o600 })
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
  }
  return readFileSync(file, 'utf8')
}
