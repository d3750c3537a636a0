import { createServer, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Frame, Page } from '@playwright/test'
import { readFont } from '../../src/server/use-cases/read-font'

type Size = { readonly width: number; readonly height: number }
type Shown = { readonly html: string; readonly sizeOf: SizeOf | null }
/** How large a picture is that is asked for at a path without its first slash; null where there is none. */
export type SizeOf = (path: string) => Size | null

const FLAT: Size = { width: 1440, height: 960 }
const FOR_EVER = { 'cache-control': 'public, max-age=31536000, immutable' }
const shown = new Map<string, Shown>()
let count = 0
let port: Promise<number> | null = null

/**
 * Shows a page that stands alone, at an address of its own, and waits for its families. A real server answers, for as long as the worker
 * lives: a browser whose requests are intercepted keeps neither fonts nor pictures from one page to the next. Pictures are flat, so that
 * what is seen is the design; where they have sizes of their own, that is another site, so that nothing is kept from one to the other.
 */
export async function showHtml(page: Page | Frame, html: string, sizeOf: SizeOf | null = null): Promise<void> {
  port ??= start()
  const name = String(count++)
  shown.set(name, { html, sizeOf })
  await page.goto(`http://${sizeOf ? 'localhost' : '127.0.0.1'}:${await port}/shown/page?${name}`, { waitUntil: 'domcontentloaded' })
  await fontsLoaded(page)
}

/** A window that nobody sees, for pages that are only measured: laid out as wide as is asked for (`widen`), and never painted. */
export async function hiddenWindow(page: Page): Promise<Frame> {
  const style = 'position:fixed;inset-inline-start:5000px;top:0;width:1280px;height:900px;border:0'
  await showHtml(page, `<!doctype html><html lang="en"><title>A window</title><iframe id="window" style="${style}"></iframe></html>`)
  const frame = await (await page.locator('#window').elementHandle())?.contentFrame()
  if (!frame) throw new Error('There is no window')
  return frame
}

/** Makes a hidden window as wide, in px. */
export async function widen(window: Frame, width: number): Promise<void> {
  await (await window.frameElement()).evaluate((frame, px) => void ((frame as HTMLElement).style.width = `${px}px`), width)
}

/** The page that is shown, in a frame of another one: made wider and narrower there, it is laid out anew without being loaded again. */
export async function showFramed(page: Page): Promise<Frame> {
  const at = page.url()
  await showHtml(page, '<!doctype html><title>A frame</title><iframe id="frame" style="position:fixed;inset:0;border:0"></iframe>')
  await page.locator('#frame').evaluate((frame: HTMLIFrameElement, src) => {
    frame.src = src
    return new Promise((loaded) => frame.addEventListener('load', loaded, { once: true }))
  }, at)
  const framed = page.frame({ url: at })
  if (!framed) throw new Error(`Nothing is shown of ${at}`)
  await fontsLoaded(framed)
  return framed
}

/** What a page is laid out with is there; laying it out asks for what it needs. */
export async function fontsLoaded(page: Page | Frame): Promise<void> {
  await page.evaluate(async () => {
    document.body.getBoundingClientRect()
    await document.fonts.ready
  })
}

function start(): Promise<number> {
  const server = createServer(({ url = '', headers }, response) => answer(new URL(url, 'http://site'), headers.referer ?? '', response))
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)).unref())
}

function answer({ pathname, search }: URL, referer: string, response: ServerResponse): void {
  const path = pathname.replace(/^\/(?:shown\/)?/, '')
  const page = shown.get(search.slice(1))
  if (path === 'page' && page) return void response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(page.html)
  const font = pathname.startsWith('/fonts/') ? readFont(path.slice('fonts/'.length)) : null
  if (font) return void response.writeHead(200, { 'content-type': 'font/woff2', ...FOR_EVER }).end(font)
  const size = /\.(webp|jpe?g|png|svg)$/.test(path) ? sizeAt(path, referer) : null
  if (!size) return void response.writeHead(404).end()
  const { width, height } = size
  const box = `width="${width}" height="${height}"`
  const drawn = `<svg xmlns="http://www.w3.org/2000/svg" ${box}><rect ${box} fill="#b9a58a"/></svg>`
  response.writeHead(200, { 'content-type': 'image/svg+xml', ...FOR_EVER }).end(drawn)
}

function sizeAt(path: string, referer: string): Size | null {
  const asking = shown.get(URL.canParse(referer) ? new URL(referer).search.slice(1) : '')
  return asking?.sizeOf ? asking.sizeOf(path) : FLAT
}
