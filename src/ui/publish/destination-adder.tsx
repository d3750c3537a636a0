'use client'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent, type ReactNode } from 'react'
import { ApiError, postJson } from '../job/api'
import { Button } from '../parts/button'
import { Field, inputClass } from '../parts/field'
import { TrialView } from './trial-view'
import { useTrial, type Tried } from './use-trial'

type Typed = {
  readonly kind: 'sftp' | 'folder'
  readonly name: string
  readonly origin: string
  readonly host: string
  readonly port: string
  readonly user: string
  readonly folder: string
  readonly opens: 'password' | 'key'
  readonly password: string
  readonly key: string
  readonly passphrase: string
}
const NOTHING: Typed = {
  kind: 'sftp',
  name: '',
  origin: '',
  host: '',
  port: '22',
  user: '',
  folder: '',
  opens: 'password',
  password: '',
  key: '',
  passphrase: '',
}

/** A new destination: told, tried beside it, and added once its login has worked. */
export function DestinationAdder({ job, children }: { job: string; children: ReactNode }) {
  const router = useRouter()
  const [typed, setTyped] = useState(NOTHING)
  const trial = useTrial(job)
  // What was tried is what is added: a change afterwards asks for another trial.
  const [tried, setTried] = useState<{ readonly typed: Typed; readonly found: Tried } | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const set = (part: Partial<Typed>): void => setTyped((now) => ({ ...now, ...part }))
  const known = tried?.typed === typed ? tried.found : null
  const canAdd = known !== null && (typed.kind === 'folder' || hasWorked(known))
  const test = async (event: FormEvent): Promise<void> => {
    event.preventDefault()
    setFault(null)
    const asked = typed
    const found = await trial.run({ origin: asked.origin, reach: triedReach(asked) })
    setTried(found && { typed: asked, found })
  }
  const add = async (): Promise<void> => {
    try {
      const name = typed.name.trim() || hostIn(typed.origin)
      const { id } = await postJson<{ id: string }>(`/api/jobs/${job}/destinations`, {
        name,
        origin: typed.origin,
        reach: keptReach(typed, known?.hostKey ?? null),
      })
      router.push(`/jobs/${job}/publish?to=${id}`)
      router.refresh()
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'It could not be added. Try again.')
    }
  }
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_24rem] overflow-hidden">
      <div className="min-h-0 overflow-y-auto px-8 py-6">
        <div className="max-w-3xl">
          {children}
          <h2 className="mb-3 text-lg font-bold tracking-tight">A new destination</h2>
          <form onSubmit={(event) => void test(event)} aria-label="A new destination" noValidate className="grid max-w-2xl gap-4">
            <KindChoice kind={typed.kind} onKind={(kind) => set({ kind })} />
            <Field label="Visitors find it at" hint="The whole address of the site, as it stands in a browser.">
              {(control) => (
                <Text {...control} mono value={typed.origin} placeholder="https://www.example.com" onText={(origin) => set({ origin })} />
              )}
            </Field>
            {typed.kind === 'sftp' ? <SftpFields typed={typed} set={set} /> : <FolderField typed={typed} set={set} />}
            <Field label="What you call it" hint="For yourself; without a name it is called by its address.">
              {(control) => <Text {...control} value={typed.name} onText={(name) => set({ name })} />}
            </Field>
            <div className="flex flex-wrap gap-2">
              <Button type="submit" look={canAdd ? 'plain' : 'main'} disabled={trial.isRunning}>
                {trial.isRunning ? 'Testing…' : 'Test the connection'}
              </Button>
              {canAdd && (
                <Button look="main" onClick={() => void add()}>
                  Add it
                </Button>
              )}
            </div>
            {fault && (
              <p role="alert" className="font-medium text-thread">
                ✕ {fault}
              </p>
            )}
          </form>
        </div>
      </div>
      <aside aria-labelledby="trial" className="min-h-0 overflow-y-auto border-s border-seam bg-cloth px-5 py-6">
        <h2 id="trial" className="text-lg font-bold tracking-tight">
          The connection
        </h2>
        <TrialView trial={trial} />
        {trial.results.length === 0 && !trial.isRunning && !trial.fault && (
          <p className="mt-2 text-soft">
            Tested step by step before it is added: a small file is written, asked for as a visitor would, and taken away again.
          </p>
        )}
        {canAdd && known.results.some(({ state }) => state === 'failed') && (
          <p className="mt-3 text-sm">
            The login works, so it can be added; what failed after it has to be mended before visitors see the site.
          </p>
        )}
      </aside>
    </main>
  )
}

/** Files can be sent there: the login, the folder and writing have worked. */
function hasWorked({ results }: Tried): boolean {
  return results.some(({ step, state }) => step === 'write' && state === 'done')
}

function hostIn(origin: string): string {
  return URL.canParse(origin) ? new URL(origin).hostname : origin
}

/** As it is tried: the key of its host is found out. */
function triedReach({ kind, host, port, user, folder, ...secrets }: Typed): object {
  if (kind === 'folder') return { kind, settings: { folder } }
  return { kind, settings: { host, port: Number(port), user, folder }, secret: secretOf(secrets) }
}

/** As it is kept, with the key that the host has shown. */
function keptReach({ kind, host, port, user, folder, ...secrets }: Typed, hostKey: string | null): object {
  if (kind === 'folder') return { kind, settings: { folder }, secret: null }
  return { kind, settings: { host, port: Number(port), user, folder, hostKey }, secret: secretOf(secrets) }
}

function secretOf({ opens, password, key, passphrase }: Pick<Typed, 'opens' | 'password' | 'key' | 'passphrase'>): object {
  return opens === 'password' ? { password } : { key, ...(passphrase && { passphrase }) }
}

type Parts = { readonly typed: Typed; readonly set: (part: Partial<Typed>) => void }

function KindChoice({ kind, onKind }: { kind: Typed['kind']; onKind: (kind: Typed['kind']) => void }) {
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-semibold">The files go to</legend>
      <div className="flex gap-4">
        {(['sftp', 'folder'] as const).map((one) => (
          <label key={one} className="flex min-h-6 items-center gap-1.5">
            <input type="radio" name="kind" checked={kind === one} onChange={() => onKind(one)} />
            {one === 'sftp' ? 'A server, by SFTP' : 'A folder on this machine'}
          </label>
        ))}
      </div>
    </fieldset>
  )
}

function SftpFields({ typed, set }: Parts) {
  return (
    <>
      <div className="grid grid-cols-[minmax(0,1fr)_7rem] gap-3">
        <Field label="Server">{(control) => <Text {...control} mono value={typed.host} onText={(host) => set({ host })} />}</Field>
        <Field label="Port">{(control) => <Text {...control} mono value={typed.port} onText={(port) => set({ port })} />}</Field>
      </div>
      <div className="grid grid-cols-2 gap-3">
        <Field label="User name">{(control) => <Text {...control} mono value={typed.user} onText={(user) => set({ user })} />}</Field>
        <Field label="Folder that visitors see">
          {(control) => <Text {...control} mono value={typed.folder} placeholder="public_html" onText={(folder) => set({ folder })} />}
        </Field>
      </div>
      <fieldset>
        <legend className="mb-1 text-sm font-semibold">What lets us in</legend>
        <div className="flex gap-4">
          {(['password', 'key'] as const).map((one) => (
            <label key={one} className="flex min-h-6 items-center gap-1.5">
              <input type="radio" name="opens" checked={typed.opens === one} onChange={() => set({ opens: one })} />
              {one === 'password' ? 'A password' : 'A key'}
            </label>
          ))}
        </div>
      </fieldset>
      {typed.opens === 'password' ? (
        <Field label="Password" hint="It is kept encrypted, and shown to nobody again.">
          {(control) => <Text {...control} secret value={typed.password} onText={(password) => set({ password })} />}
        </Field>
      ) : (
        <>
          <Field
            label="Private key"
            hint="The whole file, from its first line to its last. It is kept encrypted, and shown to nobody again."
          >
            {(control) => (
              <textarea
                {...control}
                className={`${inputClass} h-32 font-mono text-xs`}
                spellCheck={false}
                autoComplete="off"
                value={typed.key}
                onChange={(event) => set({ key: event.target.value })}
              />
            )}
          </Field>
          <Field label="Passphrase of the key" hint="Where it has one.">
            {(control) => <Text {...control} secret value={typed.passphrase} onText={(passphrase) => set({ passphrase })} />}
          </Field>
        </>
      )}
    </>
  )
}

function FolderField({ typed, set }: Parts) {
  return (
    <Field label="Folder" hint="Under the folder that is set aside for sites on this machine.">
      {(control) => <Text {...control} mono value={typed.folder} placeholder="clients/tolliver" onText={(folder) => set({ folder })} />}
    </Field>
  )
}

type TextProps = {
  readonly id: string
  readonly value: string
  readonly placeholder?: string
  readonly mono?: boolean
  readonly secret?: boolean
  readonly onText: (text: string) => void
}

function Text({ mono = false, secret = false, onText, ...control }: TextProps) {
  return (
    <input
      {...control}
      type={secret ? 'password' : 'text'}
      data-own-undo
      className={`${inputClass} ${mono ? 'font-mono' : ''}`}
      autoComplete={secret ? 'new-password' : 'off'}
      spellCheck={false}
      onChange={(event) => onText(event.target.value)}
    />
  )
}
