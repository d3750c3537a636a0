import { execFile } from 'node:child_process'
import { promisify } from 'node:util'

/** What a program of Debian's says, on both its streams; it gets nothing to read. Fails where it ends with another status than 0. */
export async function said(program: string, args: readonly string[]): Promise<string> {
  const running = promisify(execFile)(program, [...args], { timeout: 60_000 })
  running.child.stdin?.end()
  const { stdout, stderr } = await running
  return stdout + stderr
}
