import { NextResponse, type NextRequest } from 'next/server'
import { isOurHost, NOT_OUR_HOST } from './server/http/hosts'

/** Routes ask the same in their own shell: before them the framework would keep every body whole. */
export const config = { matcher: '/((?!api/|media/|fonts/|home-sheet/|_next/).*)' }

/**
 * Answers for our own names alone: a page elsewhere whose name was made to lead here (DNS rebinding) asks for that name, and is told
 * that this is another place (RFC 9110, 15.5.20).
 */
export function proxy(request: NextRequest): NextResponse {
  if (isOurHost(request.headers.get('host'))) return NextResponse.next()
  return new NextResponse(NOT_OUR_HOST, { status: 421, headers: { 'content-type': 'text/plain; charset=utf-8' } })
}
