import { lstatSync, readdirSync } from 'node:fs'
import path from 'node:path'

/** How a server writes what lies in a folder: as Unix does, as Windows does, or as the standard has it (MLSD, RFC 3659, 7). */
export type Listing = 'unix' | 'windows' | 'standard'

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const two = (n: number): string => String(n).padStart(2, '0')

/** The lines of a listing; names that begin with a dot may be left out. */
export function listingOf(folder: string, how: Listing, hidesDots: boolean): string {
  const names = readdirSync(folder).filter((name) => !hidesDots || !name.startsWith('.'))
  return names.map((name) => `${WRITERS[how](name, lstatSync(path.join(folder, name)))}\r\n`).join('')
}

type Stats = ReturnType<typeof lstatSync> & object

const WRITERS: Readonly<Record<Listing, (name: string, stats: Stats) => string>> = {
  unix: (name, stats) => {
    const { mtime, size } = stats
    const kind = stats.isDirectory() ? 'd' : stats.isSymbolicLink() ? 'l' : '-'
    const time = `${two(mtime.getUTCHours())}:${two(mtime.getUTCMinutes())}`
    const day = `${MONTHS[mtime.getUTCMonth()]} ${String(mtime.getUTCDate()).padStart(2)} ${time}`
    const shown = stats.isSymbolicLink() ? `${name} -> elsewhere` : name
    return `${kind}rw-r--r--   1 client   client   ${String(size).padStart(12)} ${day} ${shown}`
  },
  windows: (name, stats) => {
    const { mtime, size } = stats
    const hour = mtime.getUTCHours()
    const day = `${two(mtime.getUTCMonth() + 1)}-${two(mtime.getUTCDate())}-${two(mtime.getUTCFullYear() % 100)}`
    const time = `${two(hour % 12 || 12)}:${two(mtime.getUTCMinutes())}${hour < 12 ? 'AM' : 'PM'}`
    return `${day}  ${time}       ${stats.isDirectory() ? '<DIR>         ' : String(size).padStart(14)} ${name}`
  },
  standard: (name, stats) => {
    const at = stats.mtime.toISOString().replaceAll(/[-:T]/g, '').slice(0, 14)
    const type = stats.isDirectory() ? 'dir' : stats.isSymbolicLink() ? 'OS.unix=symlink' : 'file'
    return `type=${type};size=${stats.size};modify=${at}; ${name}`
  },
}
