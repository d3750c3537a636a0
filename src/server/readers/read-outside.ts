import { fork, type ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { setPriority } from 'node:os'
import PQueue from 'p-queue'
import { own } from '../../core/own'
import { projectFolder } from '../files/data-folder'
import { kept } from '../files/kept'
import { Problem, problemOf, type ProblemParts } from '../problems'
import type { TaskInput, TaskName, TaskOutput } from './tasks'

export type { ReadPicture } from './picture'

/** What one reading may take: seconds of work of the process it is done in, and its memory. */
export type Limits = { readonly seconds: number; readonly megabytes: number }
const LIMITS: Limits = { seconds: 15, megabytes: 1200 }
/** A pack is hundreds of files, each of which is a reading. */
const OF_PACK: Limits = { seconds: 60, megabytes: 1800 }
/** A project is read from its file, with all its pictures one after another. */
const OF_PROJECT: Limits = { seconds: 300, megabytes: 2600 }
const OF: Readonly<Partial<Record<TaskName, Limits>>> = { pack: OF_PACK, packFolder: OF_PACK, project: OF_PROJECT }
/** How many are read at the same time, and how many may wait. */
const READERS = 2
const MOST_WAITING = 40
/** How often a process at work is looked at, in ms. */
const LOOK_MS = 200
/** How much longer than it may work a reading may take by the clock: where the computer is busy, a process waits for its turn. */
const WAITING = 8
/** How long a reader may take to load itself, in ms by the clock. It is our own code, so no file's time is spent on it. */
const LOADING_MS = 120_000
/** How long a reader that ended is not started again, in ms: one that cannot run must not be started all day. */
const WARM_AGAIN_MS = 2000

/** What a reader is asked. */
export type Asked<T extends TaskName> = { readonly task: T; readonly name: string; readonly input: TaskInput<T> }
/** What it tells: that it has begun, and once what came of it. */
export type Told =
  | { readonly type: 'started' }
  | { readonly type: 'done'; readonly result: unknown }
  | { readonly type: 'refused'; readonly problem: ProblemParts }

/**
 * Reads what came from outside (a picture, a drawing, a font, a pack) in a process of its own, which is ended when it takes
 * too long or too much memory: nothing that is sent can hold the application up. `name` is what the person calls the file.
 */
export function readOutside<T extends TaskName>(
  task: T,
  name: string,
  input: TaskInput<T>,
  limits: Limits = own(OF, task) ?? LIMITS,
): Promise<TaskOutput<T>> {
  const { queue } = readers()
  if (queue.size >= MOST_WAITING) throw new Problem('tooBusy')
  return queue.add(() => withReader((reader) => ask(reader, { task, name, input }, limits))) as Promise<TaskOutput<T>>
}

type Readers = { readonly queue: PQueue; readonly idle: ChildProcess[]; isKeptWarm: boolean }
const readers = (): Readers => kept('readers', () => ({ queue: new PQueue({ concurrency: READERS }), idle: [], isKeptWarm: false }))

/** From now on a reader is there before it is asked for: whoever sends a file does not wait for it to start. */
export function keepReaderWarm(): void {
  readers().isKeptWarm = true
  warm()
}

function warm(): void {
  const { idle, queue, isKeptWarm } = readers()
  if (isKeptWarm && idle.length === 0 && queue.pending === 0) rest(startReader())
}

function warmSoon(): void {
  setTimeout(warm, WARM_AGAIN_MS).unref()
}

/** Nobody waits for a reader that has nothing to do. */
function rest(reader: ChildProcess): void {
  reader.unref()
  reader.channel?.unref()
  readers().idle.push(reader)
}

async function withReader<R>(work: (reader: ChildProcess) => Promise<R>): Promise<R> {
  const reader = readers().idle.pop() ?? startReader()
  try {
    return await work(reader)
  } finally {
    if (reader.connected && !reader.killed) rest(reader)
    else warmSoon()
  }
}

function startReader(): ChildProcess {
  const { PATH, TZ, LANG, NODE_ENV } = process.env
  const env = { ...(PATH ? { PATH } : {}), ...(TZ ? { TZ } : {}), ...(LANG ? { LANG } : {}), ...(NODE_ENV ? { NODE_ENV } : {}) }
  const reader = fork(projectFolder('dist', 'reader-process.mjs'), [], {
    cwd: projectFolder(),
    env: env as NodeJS.ProcessEnv,
    execArgv: ['--max-old-space-size=800'],
    serialization: 'advanced',
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  })
  reader.once('exit', () => {
    const { idle } = readers()
    const at = idle.indexOf(reader)
    if (at < 0) return
    idle.splice(at, 1)
    warmSoon()
  })
  try {
    // Whoever edits comes before what is read.
    if (reader.pid !== undefined) setPriority(reader.pid, 10)
  } catch {
    // Where priorities cannot be set, the limits hold all the same.
  }
  return reader
}

function ask<T extends TaskName>(reader: ChildProcess, asked: Asked<T>, limits: Limits): Promise<TaskOutput<T>> {
  const { name } = asked
  return new Promise((resolve, reject) => {
    let stopWatching = (): void => undefined
    const done = (settle: () => void): void => {
      stopWatching()
      clearTimeout(loading)
      reader.off('message', hear).off('exit', breakOff).off('error', breakOff)
      settle()
    }
    const giveUp = (fault: string): void => {
      reader.kill('SIGKILL')
      done(() => reject(new Problem('tooHeavy', { name, fault })))
    }
    const breakOff = (): void => giveUp('reading it broke off')
    const hear = (message: Told): void => {
      if (message.type === 'started') {
        clearTimeout(loading)
        stopWatching = watchReader(reader, limits, giveUp)
      } else if (message.type === 'done') done(() => resolve(message.result as TaskOutput<T>))
      else done(() => reject(problemOf(message.problem)))
    }
    const loading = setTimeout(() => giveUp('reading it could not begin'), LOADING_MS)
    reader.on('message', hear).on('exit', breakOff).on('error', breakOff)
    reader.ref()
    reader.channel?.ref()
    reader.send(asked)
  })
}

/** Looks after a reader from when it begins: what it may take counts from there. Answers with how to stop looking. */
function watchReader({ pid }: ChildProcess, limits: Limits, giveUp: (fault: string) => void): () => void {
  const tooLong = (): void => giveUp(`reading it takes more than ${limits.seconds} seconds`)
  const before = workOf(pid)
  const late = setTimeout(tooLong, limits.seconds * (before === null ? 1 : WAITING) * 1000)
  const look = setInterval(() => {
    if (megabytesOf(pid) > limits.megabytes) return giveUp('it takes too much memory')
    if (before !== null && (workOf(pid) ?? before) - before > limits.seconds) tooLong()
  }, LOOK_MS)
  return () => {
    clearTimeout(late)
    clearInterval(look)
  }
}

/** How long Linux counts a second of work in (sysconf, _SC_CLK_TCK; from memory: 100 on every common build). */
const TICKS = 100

/** The work that a process has done, in seconds (proc(5): utime and stime of `stat`); null where this computer does not tell. */
function workOf(pid: number | undefined): number | null {
  try {
    const parts = readFileSync(`/proc/${pid}/stat`, 'utf8')
      .replace(/^.*\) /s, '')
      .split(' ')
    return (Number(parts[11]) + Number(parts[12])) / TICKS
  } catch {
    return null
  }
}

/** The memory that a process holds, in MB; 0 where this computer does not tell. */
function megabytesOf(pid: number | undefined): number {
  try {
    return Number(/^VmRSS:\s+(\d+) kB/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024
  } catch {
    return 0
  }
}
