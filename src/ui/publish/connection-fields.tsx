import { Field, inputClass } from '../parts/field'
import type { Typed } from './typed-connection'

type Parts = { readonly typed: Typed; readonly set: (part: Partial<Typed>) => void }

/** How a destination of the kind that is chosen is reached. */
export function ConnectionFields({ typed, set }: Parts) {
  switch (typed.kind) {
    case 'sftp':
      return (
        <>
          <ServerFields typed={typed} set={set} />
          <SftpLogin typed={typed} set={set} />
        </>
      )
    case 'ftp':
      return (
        <>
          <ServerFields typed={typed} set={set} />
          <PasswordField typed={typed} set={set} />
          <Encrypted typed={typed} set={set} hint="Without it, whoever is on the way can read the password and change the files." />
        </>
      )
    case 'object-store':
      return <BucketFields typed={typed} set={set} />
    case 'zip':
      return (
        <Field label="Name of the zip" hint="Under the folder that is set aside for sites on this machine; .zip is added.">
          {(control) => <Text {...control} mono value={typed.folder} placeholder="clients/tolliver" onText={(folder) => set({ folder })} />}
        </Field>
      )
    default:
      return (
        <Field label="Folder" hint="Under the folder that is set aside for sites on this machine.">
          {(control) => <Text {...control} mono value={typed.folder} placeholder="clients/tolliver" onText={(folder) => set({ folder })} />}
        </Field>
      )
  }
}

function HostAndPort({ typed, set }: Parts) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_7rem] gap-3">
      <Field label="Server">{(control) => <Text {...control} mono value={typed.host} onText={(host) => set({ host })} />}</Field>
      <Field label="Port">{(control) => <Text {...control} mono value={typed.port} onText={(port) => set({ port })} />}</Field>
    </div>
  )
}

function ServerFields({ typed, set }: Parts) {
  return (
    <>
      <HostAndPort typed={typed} set={set} />
      <div className="grid grid-cols-2 gap-3">
        <Field label="User name">{(control) => <Text {...control} mono value={typed.user} onText={(user) => set({ user })} />}</Field>
        <Field label="Folder that visitors see">
          {(control) => <Text {...control} mono value={typed.folder} placeholder="public_html" onText={(folder) => set({ folder })} />}
        </Field>
      </div>
    </>
  )
}

function PasswordField({ typed, set }: Parts) {
  return (
    <Field label="Password" hint={secretHint(typed)}>
      {(control) => <Text {...control} secret value={typed.password} onText={(password) => set({ password })} />}
    </Field>
  )
}

function SftpLogin({ typed, set }: Parts) {
  return (
    <>
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
        <PasswordField typed={typed} set={set} />
      ) : (
        <>
          <Field label="Private key" hint={`The whole file, from its first line to its last. ${secretHint(typed)}`}>
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

function Encrypted({ typed, set, hint }: Parts & { hint: string }) {
  return (
    <div>
      <label className="flex min-h-6 items-center gap-1.5">
        <input type="checkbox" checked={typed.isSecure} onChange={(event) => set({ isSecure: event.target.checked })} />
        Encrypted (TLS)
      </label>
      {!typed.isSecure && <p className="mt-0.5 text-sm font-medium text-thread">{hint}</p>}
    </div>
  )
}

function BucketFields({ typed, set }: Parts) {
  return (
    <>
      <HostAndPort typed={typed} set={set} />
      <Encrypted
        typed={typed}
        set={set}
        hint="Only for a store on your own network: files and answers can be read and changed on the way."
      />
      <div className="grid grid-cols-2 gap-3">
        <Field label="Bucket">{(control) => <Text {...control} mono value={typed.bucket} onText={(bucket) => set({ bucket })} />}</Field>
        <Field label="Region" hint="As the store names it, such as eu-central-1.">
          {(control) => <Text {...control} mono value={typed.region} onText={(region) => set({ region })} />}
        </Field>
      </div>
      <Field label="Folder in the bucket" hint="Where visitors do not see the whole bucket; else leave it empty.">
        {(control) => <Text {...control} mono value={typed.folder} onText={(folder) => set({ folder })} />}
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="ID of the key">
          {(control) => <Text {...control} mono value={typed.keyId} onText={(keyId) => set({ keyId })} />}
        </Field>
        <Field label="Secret of the key" hint={secretHint(typed)}>
          {(control) => <Text {...control} secret value={typed.secretKey} onText={(secretKey) => set({ secretKey })} />}
        </Field>
      </div>
    </>
  )
}

function secretHint({ isKept }: Typed): string {
  return isKept ? 'Left empty, what is kept stays. It is shown to nobody.' : 'It is kept encrypted, and shown to nobody again.'
}

type TextProps = {
  readonly id: string
  readonly value: string
  readonly placeholder?: string
  readonly mono?: boolean
  readonly secret?: boolean
  readonly onText: (text: string) => void
}

/** A line of text of a login: nothing of it is helped with, and what is secret is not shown. */
export function Text({ mono = false, secret = false, onText, ...control }: TextProps) {
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
