import { spawnSync } from 'node:child_process'
import { createRequire } from 'node:module'
import path from 'node:path'

const JAR = createRequire(import.meta.url).resolve('vnu-jar/build/dist/vnu.jar')
/** It runs for seconds: what a first compiler makes is enough, and a thread of rubbish beside it is none. Its schemas nest deep. */
const JAVA = ['-XX:TieredStopAtLevel=1', '-XX:+UseSerialGC', '-Xss8m']

type Message = { readonly type: string; readonly url: string; readonly lastLine: number; readonly message: string }

/** What the Nu HTML Checker (the W3C’s, of the HTML, CSS and SVG standards) has against files, or all files of a folder, a line each. */
export function htmlErrors(...paths: readonly string[]): string[] {
  const { stderr, error } = spawnSync('java', [...JAVA, '-jar', JAR, '--errors-only', '--format', 'json', '--also-check-svg', ...paths], {
    stdio: ['ignore', 'ignore', 'pipe'],
    maxBuffer: 64e6,
  })
  if (error) throw error
  const { messages } = JSON.parse(stderr.toString('utf8')) as { messages: readonly Message[] }
  return messages.map(({ url, lastLine, message }) => `${path.basename(path.dirname(url))}/${path.basename(url)}:${lastLine} ${message}`)
}
