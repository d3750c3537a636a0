'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useMemo, useState, type FormEvent, type ReactNode } from 'react'
import { addedDestinationSchema, type TestedConnection } from '@/core/replies'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { Field } from '../parts/field'
import { askJson, sendJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { isOnThisMachine, KIND_NAMES, type DestinationLine, type OwnKind } from './destination-line'
import { ConnectionFields, Text } from './connection-fields'
import { ConnectionTestView } from './connection-test-view'
import {
  changedConnection,
  isLeftEmpty,
  isSameDoor,
  savedConnection,
  NOTHING_TYPED,
  retyped,
  testedConnection,
  typedOf,
  type Typed,
} from './typed-connection'
import { useConnectionTest } from './use-connection-test'

const SECRET_WANTED = 'Type the password or key again. The saved one is only sent to the server and user name it was saved for.'

type Props = {
  readonly job: string
  /** One that is there already, and is changed. */
  readonly line: DestinationLine | null
  readonly children: ReactNode
}

/** A destination that is new or changed: told, tried beside it, and kept once its login has worked. */
export function DestinationForm({ job, line, children }: Props) {
  const router = useRouter()
  const kept = useMemo(() => line && typedOf(line), [line])
  const [typed, setTyped] = useState(kept ?? NOTHING_TYPED)
  const connectionTest = useConnectionTest(job)
  // What was tried is what is added: a change afterwards asks for another test.
  const [tried, setTried] = useState<{ readonly typed: Typed; readonly found: TestedConnection } | null>(null)
  const { fault, setFault, busy, handle } = useMutation({ otherwise: 'It could not be kept. Try again.' })
  const set = (part: Partial<Typed>): void => setTyped((now) => retyped(now, part, kept))
  const known = tried?.typed === typed ? tried.found : null
  const canAdd = known !== null && (isOnThisMachine(typed.kind) || hasWorked(known))
  const test = async (asked: Typed): Promise<void> => {
    setFault(null)
    if (kept && isLeftEmpty(asked) && !isSameDoor(asked, kept)) return setFault(SECRET_WANTED)
    const { origin } = asked
    const found = await connectionTest.run(
      line && isLeftEmpty(asked)
        ? { destination: line.id, changed: { origin, connection: changedConnection(asked, null) } }
        : { origin, connection: testedConnection(asked) },
    )
    setTried(found && { typed: asked, found })
  }
  const add = handle(async () => {
    const name = typed.name.trim() || shortOf(typed.origin)
    const knownBy = known?.knownBy ?? null
    const said = { name, origin: typed.origin }
    const at = `/api/jobs/${job}/destinations`
    if (line) await sendJson(`${at}/${line.id}`, { ...said, connection: changedConnection(typed, knownBy) }, 'PUT')
    const id = line?.id ?? (await askJson(at, { ...said, connection: savedConnection(typed, knownBy) }, addedDestinationSchema)).id
    router.push(`/jobs/${job}/publish?to=${id}`)
    router.refresh()
  })
  const submit = (event: FormEvent): void => {
    event.preventDefault()
    void test(typed)
  }
  const unvouched = known?.results.some(({ step, state }) => step === 'certificate' && state === 'failed') ? known.knownBy : null
  const trust = (certificate: string): void => {
    const trusting = { ...typed, certificate }
    setTyped(trusting)
    void test(trusting)
  }
  const title = line ? `Change “${line.name}”` : 'A new destination'
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_24rem] overflow-hidden">
      <div className="min-h-0 overflow-y-auto px-8 py-6">
        <div className="max-w-3xl">
          {children}
          <h2 className="mb-3 text-lg font-bold tracking-tight">{title}</h2>
          <form onSubmit={submit} aria-label={title} noValidate className="grid max-w-2xl gap-4">
            {!line && <KindChoice kind={typed.kind} onKind={(kind) => set({ kind })} />}
            <Field
              label="Visitors find it at"
              hint="The whole address, as it stands in a browser; it may end in a folder, as in https://www.example.com/shop."
            >
              {(control) => (
                <Text {...control} mono value={typed.origin} placeholder="https://www.example.com" onText={(origin) => set({ origin })} />
              )}
            </Field>
            <ConnectionFields typed={typed} set={set} />
            <Field label="What you call it" hint="For yourself; without a name it is called by its address.">
              {(control) => <Text {...control} value={typed.name} onText={(name) => set({ name })} />}
            </Field>
            <div className="flex flex-wrap gap-2">
              <Button type="submit" look={canAdd ? 'plain' : 'main'} disabled={connectionTest.isRunning}>
                {connectionTest.isRunning ? 'Testing…' : 'Test the connection'}
              </Button>
              {canAdd && (
                <Button look="main" disabled={busy} onClick={() => void add()}>
                  {line ? 'Keep the changes' : 'Add it'}
                </Button>
              )}
              {line && (
                <Link href={`/jobs/${job}/publish?to=${line.id}`} className="px-3 py-1.5 text-sm font-semibold hover:bg-cloth">
                  Leave it as it is
                </Link>
              )}
            </div>
            <Fault words={fault} />
          </form>
        </div>
      </div>
      <aside aria-labelledby="connection-test" className="min-h-0 overflow-y-auto border-s border-seam bg-cloth px-5 py-6">
        <h2 id="connection-test" className="text-lg font-bold tracking-tight">
          The connection
        </h2>
        <ConnectionTestView connectionTest={connectionTest} />
        {connectionTest.results.length === 0 && !connectionTest.isRunning && !connectionTest.fault && (
          <p className="mt-2 text-soft">
            Tested step by step before it is kept: a small file is written, asked for as a visitor would, and taken away again.
          </p>
        )}
        {unvouched !== null && !connectionTest.isRunning && (
          <Button className="mt-3" onClick={() => trust(unvouched)}>
            Trust this certificate, and test again
          </Button>
        )}
        {canAdd && known.results.some(({ state }) => state === 'failed') && (
          <p className="mt-3 text-sm">
            The login works, so the destination can be added. What failed after it has to be put right before visitors see the site.
          </p>
        )}
      </aside>
    </main>
  )
}

/** Files can be sent there: the login, the folder and writing have worked. */
function hasWorked({ results }: TestedConnection): boolean {
  return results.some(({ step, state }) => step === 'write' && state === 'done')
}

/** An address without how it is asked for: two sites may stand in folders of one host. */
function shortOf(address: string): string {
  if (!URL.canParse(address)) return address
  const { hostname, pathname } = new URL(address)
  return hostname + (pathname === '/' ? '' : pathname)
}

const KINDS: readonly OwnKind[] = ['sftp', 'ftp', 'object-store', 'folder', 'zip']

function KindChoice({ kind, onKind }: { kind: OwnKind; onKind: (kind: OwnKind) => void }) {
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-semibold">The files go to</legend>
      <div className="flex flex-wrap gap-x-4">
        {KINDS.map((one) => (
          <label key={one} className="flex min-h-6 items-center gap-1.5">
            <input type="radio" name="kind" checked={kind === one} onChange={() => onKind(one)} />
            <span className="first-letter:uppercase">{KIND_NAMES[one]}</span>
          </label>
        ))}
      </div>
    </fieldset>
  )
}
