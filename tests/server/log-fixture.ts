import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'

/** A data folder of this test file's own, made before the server's modules are loaded. */
export function ownDataFolder(): string {
  const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
  process.env.INSTANT_FIT_DATA = folder
  // No web host but one that a test starts: the demo may be running beside it.
  process.env.WEB_HOST_CONTROL_PORT ??= '1'
  return folder
}

/** What the process keeps in memory is gone, as after a crash; what is on the disk is there. */
export function forgetMemory(...names: string[]): void {
  const { instantFitKept } = globalThis as { instantFitKept?: Map<string, unknown> }
  for (const name of names.length > 0 ? names : [...(instantFitKept?.keys() ?? [])]) instantFitKept?.delete(name)
}
