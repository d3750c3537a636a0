import { kept } from '../files/kept'
import type { Destination } from './destination'
import { makeDestination } from './shell'
import { webHost } from './web-host/adapter'

/** The destination of a kind; so far every job goes to the web host. */
export function destinationOf(kind: 'web-host' = 'web-host'): Destination {
  return kept(`destination-${kind}`, () => makeDestination(webHost, 'The web host'))
}
