'use client'
import type { DomainView, RecordLine } from '@/core/domain'
import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import { Button } from '../../parts/button'
import { Fault } from '../../parts/fault'
import { Fold } from '../../parts/fold'
import { clock, count } from '../../parts/words'
import { CertificateLine } from './certificate-line'
import { DomainForm } from './domain-form'
import { SendRecords } from './send-records'
import { RecordList } from './record-list'
import { useDomainActs } from './use-domain-acts'
import { useDomainLook, type Looking } from './use-domain-look'

type Props = { readonly job: string; readonly domain: DomainView | null; readonly onMoved: () => void }

/** The client's own domain: noted, its records looked up until they lead here, with a certificate, and made the site's address. */
export function OwnDomain({ job, domain, onMoved }: Props) {
  const router = useRouter()
  const heading = useRef<HTMLHeadingElement>(null)
  const had = useRef(domain?.name)
  // Where one was removed, another can be typed at once.
  const [hadOne] = useState(domain !== null)
  // What was added or removed changes all of this: the next thing to do stands under its heading.
  useEffect(() => {
    if (had.current !== domain?.name) heading.current?.focus()
    had.current = domain?.name
  }, [domain?.name])
  return (
    <div className="mt-5">
      {domain ? (
        <section aria-labelledby="own-domain" className="border-t border-seam pt-3">
          <h3 id="own-domain" ref={heading} tabIndex={-1} className="mb-2 break-words font-bold">
            {domain.shown}
          </h3>
          <DomainPanel key={domain.name} job={job} domain={domain} onMoved={onMoved} />
        </section>
      ) : (
        <Fold title="Client’s own domain" beginsOpen={hadOne}>
          <DomainForm job={job} isInHand={hadOne} onAdded={() => router.refresh()} />
        </Fold>
      )}
    </div>
  )
}

function DomainPanel({ job, domain, onMoved }: Props & { readonly domain: DomainView }) {
  const router = useRouter()
  const [round, setRound] = useState(0)
  const acts = useDomainActs(job, () => {
    setRound((now) => now + 1)
    router.refresh()
  })
  const looking = useDomainLook(job, domain.name, round)
  const { look } = looking
  const isBusy = acts.doing !== null
  return (
    <>
      <p className="mb-3 text-sm">
        {domain.isAddress ? (
          <span className="font-semibold text-done">✓ This is the site’s address.</span>
        ) : (
          'Set these records where the domain is looked after; everything else there stays as it is.'
        )}
        {domain.other && <span className="text-soft"> {domain.other} leads to it.</span>}
      </p>
      {look && <Records domain={domain} records={look.records} />}
      <LookLine looking={looking} />
      <CertificateLine domain={domain} look={look} acts={acts} />
      <div className="mt-3 flex flex-wrap items-center gap-2">
        {!domain.isAddress && (
          <Button
            look="main"
            disabled={isBusy || !look?.isReady}
            aria-describedby="domain-doing"
            onClick={() => void acts.moveHere().then((isDone) => isDone && onMoved())}
          >
            Bring the site to this domain
          </Button>
        )}
        {look?.records.some(({ state }) => state !== 'right') && <SendRecords look={look} />}
        {!domain.isAddress && <RemoveDomain isBusy={isBusy} onRemoveDomain={() => void acts.remove()} />}
      </div>
      <p id="domain-doing" role="status" className="mt-2 min-h-6 text-sm text-soft">
        {acts.doing ?? (look && !domain.isAddress ? nextStep(look.isReady, domain.certificate !== null) : '')}
      </p>
      <Fault words={acts.fault} className="mt-1" />
    </>
  )
}

/** Once the site is at the domain and all is right there is nothing to set: the records fold away. */
function Records({ domain, records }: { domain: DomainView; records: readonly RecordLine[] }) {
  const table = <RecordList records={records} registrable={domain.registrable} />
  if (!domain.isAddress || records.some(({ state }) => state !== 'right')) return table
  return <Fold title={`✓ ${count(records.length, 'record')}, all right`}>{table}</Fold>
}

function nextStep(isReady: boolean, isCertified: boolean): string {
  if (!isReady) return 'Once the records lead here, the site can be brought to the domain. You need not wait on this screen.'
  return isCertified
    ? 'The records lead here, and there is a certificate: the site can be brought there. What visitors see changes when you publish.'
    : 'The records lead here. A certificate is fetched when the site is brought there; what visitors see changes when you publish.'
}

/** When and where it was looked up, and when it is again. */
function LookLine({ looking: { look, isLooking, fault, nextMs, again } }: { looking: Looking }) {
  const own = look?.servers.filter(({ kind }) => kind === 'own') ?? []
  const others = (look?.servers.length ?? 0) - own.length
  const names = own.length === 0 ? 'none of its own name servers' : own.map(({ name }) => name).join(', ')
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
      <Button disabled={isLooking} onClick={again}>
        Look again
      </Button>
      <p role="status" className="min-w-0 text-soft">
        {isLooking || !look
          ? 'Looking up the records…'
          : `Looked up at ${clock(look.atMs)} at ${names} and ${others} that visitors ask.${sayNext(look.atMs, nextMs)}`}
      </p>
      <Fault words={fault} className="w-full" />
      {look?.wildcard && <p className="w-full text-soft">{look.wildcard}</p>}
    </div>
  )
}

function sayNext(atMs: number, nextMs: number | null): string {
  if (nextMs === null) return ''
  return nextMs - atMs < 60_000 ? ' Again within a minute.' : ` Again at ${clock(nextMs)}.`
}

function RemoveDomain({ isBusy, onRemoveDomain }: { isBusy: boolean; onRemoveDomain: () => void }) {
  const [asked, setAsked] = useState(false)
  if (!asked)
    return (
      <Button look="quiet" disabled={isBusy} onClick={() => setAsked(true)}>
        Remove domain…
      </Button>
    )
  return (
    <span role="group" aria-label="Remove domain" className="flex items-center gap-2 text-sm">
      The proof is forgotten here. Its DNS records can then be removed.
      <Button autoFocus disabled={isBusy} onClick={onRemoveDomain}>
        Remove domain
      </Button>
      <Button look="quiet" onClick={() => setAsked(false)}>
        Cancel
      </Button>
    </span>
  )
}
