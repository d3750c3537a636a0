import { fork, type ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { setPriority } from 'node:os'
import PQueue from 'p-queue'
import { own } from '../../core/own'
import { projectFolder } from '../files/data-folder'
import { kept } from '../files/kept'
import { Problem, type ProblemParts } from '../http/problems'
import type { TaskInput, TaskName, TaskOutput } from './tasks'

export type { ReadPicture } from './picture'

/** What one reading may take: seconds of work of the process it is done in, and its memory. */
export type Limits = { readonly seconds: number; readonly megabytes: number }
const LIMITS: Limits = { seconds: 15, megabytes: 1200 }
/** A pack is hundreds of files, each of which is a reading. */
const OF_PACK: Limits = { seconds: 60, megabytes: 1800 }
/** A project is read from its file, with all its pictures one after another. */
const OF_PROJECT: Limits = { seconds: 300, megabytes: 2600 }
const OF: Readonly<Partial<Record<TaskName, Limits>>> = { pack: OF_PACK, project: OF_PROJECT }
/** How many are read at the same time, and how many may wait. */
const READERS = 2
const MOST_WAITING = 40
/** How often a process at work is looked at, in ms. */
const LOOK_MS = 200
/** How much longer than it may work a reading may take by the clock: where the computer is busy, a process waits for its turn. */
const WAITING = 8

export type Answer = { readonly ok: true; readonly result: unknown } | { readonly ok: false; readonly problem: ProblemParts }

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

type Readers = { readonly queue: PQueue; readonly idle: ChildProcess[] }
const readers = (): Readers => kept('readers', () => ({ queue: new PQueue({ concurrency: READERS }), idle: [] }))

async function withReader<R>(work: (reader: ChildProcess) => Promise<R>): Promise<R> {
  const { idle } = readers()
  const reader = idle.pop() ?? startReader()
  try {
    return await work(reader)
  } finally {
    if (reader.connected && !reader.killed) {
      reader.unref()
      reader.channel?.unref()
      idle.push(reader)
    }
  }
}

function startReader(): ChildProcess {
  const { idle } = readers()
  const { PATH, TZ, LANG, NODE_ENV } = process.env
  const env = { ...(PATH ? { PATH } : {}), ...(TZ ? { TZ } : {}), ...(LANG ? { LANG } : {}), ...(NODE_ENV ? { NODE_ENV } : {}) }
  const reader = fork(projectFolder('src', 'server', 'readers', 'reader-process.ts'), [], {
    cwd: projectFolder(),
    env: env as NodeJS.ProcessEnv,
    execArgv: ['--import', 'tsx', '--max-old-space-size=800'],
    serialization: 'advanced',
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  })
  reader.once('exit', () => {
    const at = idle.indexOf(reader)
    if (at >= 0) idle.splice(at, 1)
  })
  try {
    // Whoever edits comes before what is read.
    if (reader.pid !== undefined) setPriority(reader.pid, 10)
  } catch {
    // Where priorities cannot be set, the limits hold all the same.
  }
  return reader
}

type Asked<T extends TaskName> = { readonly task: T; readonly name: string; readonly input: TaskInput<T> }

function ask<T extends TaskName>(reader: ChildProcess, asked: Asked<T>, limits: Limits): Promise<TaskOutput<T>> {
  const { name } = asked
  return new Promise((resolve, reject) => {
    const giveUp = (fault: string): void => {
      reader.kill('SIGKILL')
      done(() => reject(new Problem('tooHeavy', { name, fault })))
    }
    const tooLong = (): void => giveUp(`reading it takes more than ${limits.seconds} seconds`)
    const before = workOf(reader.pid)
    const late = setTimeout(tooLong, limits.seconds * (before === null ? 1 : WAITING) * 1000)
    const look = setInterval(() => {
      if (megabytesOf(reader.pid) > limits.megabytes) return giveUp('it takes too much memory')
      if (before !== null && (workOf(reader.pid) ?? before) - before > limits.seconds) tooLong()
    }, LOOK_MS)
    const done = (settle: () => void): void => {
      clearTimeout(late)
      clearInterval(look)
      reader.off('message', onAnswer).off('exit', onExit).off('error', onExit)
      settle()
    }
    const onAnswer = (answer: Answer): void =>
      done(() =>
        answer.ok
          ? resolve(answer.result as TaskOutput<T>)
          : reject(new Problem(answer.problem.code, answer.problem.details, undefined, answer.problem.faults)),
      )
    const onExit = (): void => done(() => reject(new Problem('tooHeavy', { name, fault: 'reading it broke off' })))
    reader.on('message', onAnswer).on('exit', onExit).on('error', onExit)
    reader.ref()
    reader.channel?.ref()
    reader.send(asked)
  })
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
