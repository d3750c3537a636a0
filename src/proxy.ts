import { randomBytes } from 'node:crypto'
import { NextResponse, type NextRequest } from 'next/server'
import { isOurHost, NOT_OUR_HOST } from './server/http/hosts'
import { screenPolicy } from './server/http/screen-policy'
import { whoAsks } from './server/http/who-asks'
import { isFirstStart } from './server/use-cases/come-in'
import { findTrouble } from './server/use-cases/trouble'
import { mayOpen } from './server/use-cases/may-open'

/** Routes ask the same in their own shell: before them the framework would keep every body whole. */
export const config = { matcher: '/((?!api/|media/|fonts/|home-sheet/|_next/|icon\\.svg).*)' }

/** Where those are let in who are not signed in. */
const DOORS = /^\/(sign-in|link\/[\w-]+)$/

/**
 * The door to every page. Answers for our own names alone: a page elsewhere whose name was made to lead here (DNS rebinding) asks for that
 * name, and is told that this is another place (RFC 9110, 15.5.20). Then only for those who are signed in, and of jobs only for those who
 * may see them.
 */
export function proxy(request: NextRequest): NextResponse {
  if (!isOurHost(request.headers.get('host'))) {
    return new NextResponse(NOT_OUR_HOST, { status: 421, headers: { 'content-type': 'text/plain; charset=utf-8' } })
  }
  const trouble = findTrouble()
  if (trouble !== null) return new NextResponse(troublePage(trouble), { status: 503, headers: PLAIN_PAGE })
  const { pathname, search } = request.nextUrl
  if (isFirstStart()) return pathname === '/welcome' ? screen(request) : lead(request, '/welcome')
  const asking = whoAsks(request.headers)
  if (DOORS.test(pathname)) return screen(request)
  if (pathname === '/welcome') return lead(request, '/')
  if (!asking) return lead(request, pathname === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(pathname + search)}`)
  const opens = mayOpen(asking.person, pathname)
  return opens === 'yes' ? screen(request) : opens === 'elsewhere' ? lead(request, '/') : screen(request, at(request, '/nowhere'))
}

/** The page that is asked for, or another in its place, under a policy with a word of its own: the framework reads it off the request. */
function screen(request: NextRequest, instead?: URL): NextResponse {
  const policy = screenPolicy(randomBytes(16).toString('base64'))
  const headers = new Headers(request.headers)
  headers.set('content-security-policy', policy)
  const reply = instead ? NextResponse.rewrite(instead, { request: { headers } }) : NextResponse.next({ request: { headers } })
  reply.headers.set('content-security-policy', policy)
  return reply
}

const PLAIN_PAGE = {
  'content-type': 'text/html; charset=utf-8',
  'cache-control': 'no-store',
  'content-security-policy': "default-src 'none'",
}

/** What is said where nothing can be read or kept: a page that needs nothing of ours. */
function troublePage(sentence: string): string {
  const words = sentence.replaceAll('&', '&amp;').replaceAll('<', '&lt;')
  const title = 'Instant Fit cannot work now'
  return `<!doctype html><html lang="en"><title>${title}</title><h1>${title}</h1><p>${words}</p></html>`
}

/** Sends on within this application, under the name that it was asked by. */
function lead(request: NextRequest, to: string): NextResponse {
  return NextResponse.redirect(at(request, to), { headers: { 'cache-control': 'no-store' } })
}

function at(request: NextRequest, to: string): URL {
  const url = new URL(to, request.url)
  url.host = request.headers.get('host') ?? url.host
  return url
}
