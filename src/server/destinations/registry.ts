import { existsSync, readFileSync, rmSync } from 'node:fs'
import * as v from 'valibot'
import { readBlob } from '../files/blobs'
import { dataFolder } from '../files/data-folder'
import { forget, kept } from '../files/kept'
import { unseal } from '../files/secrets'
import { writeWhole } from '../files/write-whole'
import { Problem } from '../problems'
import { findDestination, type DestinationRow } from '../store/destinations'
import type { Destination } from './destination'
import type { SentContents } from './file-server/sent-contents'
import { adapterFor, connectionSchema, type Connection } from './kinds'
import { makeDestination } from './shell'
import { webHost } from './web-host/adapter'

/** The destination that every job has: our own web host. */
export const WEB_HOST = 'web-host'

/** A destination by its name: the web host, or one of a job's own. */
export function destinationOf(id: string = WEB_HOST): Destination {
  return kept(`destination-${id}`, () => (id === WEB_HOST ? makeDestination(webHost, 'The web host') : ownDestination(id)))
}

/** One that was changed or let go is made anew the next time it is asked for. */
export function forgetDestination(id: string): void {
  forget(`destination-${id}`)
  rmSync(listFile(id), { force: true })
}

function ownDestination(id: string): Destination {
  const row = findDestination(id)
  if (!row) throw new Problem('destinationGone')
  return makeDestination(adapterFor(connectionOf(row), keptOf(id)), `“${row.name}”`)
}

function listFile(id: string): string {
  return dataFolder('lists', id)
}

/** What we have of what was sent to one: contents for as long as a release names them, and its list as we wrote it last. */
function keptOf(id: string): SentContents {
  const file = listFile(id)
  return {
    contentOf: readBlob,
    list: () => (existsSync(file) ? readFileSync(file) : null),
    keepList: (list) => {
      try {
        writeWhole(file, list)
      } catch (error) {
        // It only spares the way: without it the list is fetched again.
        console.error(`The list of “${id}” cannot be kept`, error)
      }
    },
  }
}

/** How a destination is reached, with what lets us in; where that was sealed on another computer, it cannot be opened. */
export function connectionOf({ id, name, kind, settings, secret }: DestinationRow): Connection {
  return v.parse(connectionSchema, { kind, settings: JSON.parse(settings) as unknown, secret: secret && openedSecret(id, name, secret) })
}

function openedSecret(id: string, name: string, secret: Buffer): unknown {
  try {
    return JSON.parse(unseal(secret, id)) as unknown
  } catch (error) {
    throw new Problem('destinationLocked', { where: name }, { cause: error })
  }
}
