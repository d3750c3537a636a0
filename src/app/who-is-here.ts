import { cookies, headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { whoAsks, type Asking } from '@/server/http/who-asks'

/** Who looks at a page. The door (`proxy.ts`) lets nobody else this far; a session that ends in this moment is sent back to it. */
export async function whoIsHere(): Promise<Asking> {
  await cookies()
  return whoAsks(await headers()) ?? redirect('/sign-in')
}
