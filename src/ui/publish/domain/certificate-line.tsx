'use client'
import { Button } from '../../parts/button'
import { CheckLine } from '../../parts/check-line'
import { day } from '../../parts/words'
import type { DomainView, DomainLook } from '@/core/domain'
import type { DomainActs } from './use-domain-acts'

type Props = { readonly domain: DomainView; readonly look: DomainLook | null; readonly acts: DomainActs }

/** The certificate of a domain: until when it is good, how it is got beforehand, and whether browsers are bound to it. */
export function CertificateLine({ domain, look, acts }: Props) {
  const { certificate, fault, hsts, isAddress, isAskedByDns } = domain
  const isBusy = acts.doing !== null
  return (
    <div className="mt-3 border-t border-seam pt-3 text-sm">
      <p>
        <span className="font-semibold">Certificate</span>{' '}
        {certificate ? (
          <span className={certificate.isOver ? 'font-medium text-thread' : 'text-done'}>
            {certificate.isOver ? '✕ ran out on ' : '✓ good until '}
            {day(certificate.notAfter)}
            <span className="text-soft">, renewed by itself from {day(certificate.renewFrom)}</span>
          </span>
        ) : isAskedByDns ? (
          <span className="text-soft">is asked for. The authority wants to see the TXT records under _acme-challenge first.</span>
        ) : (
          <span className="text-soft">none yet</span>
        )}
      </p>
      {fault && (
        <p role="alert" className="mt-1 font-medium text-thread">
          ✕ {fault} It is tried again every hour.
        </p>
      )}
      {isAskedByDns ? (
        <span className="mt-2 flex flex-wrap gap-2">
          <Button disabled={isBusy || !look} onClick={() => void acts.certify()}>
            They are set: get the certificate
          </Button>
          <Button look="quiet" disabled={isBusy} onClick={() => void acts.change({ act: 'leave DNS' })}>
            Leave it
          </Button>
        </span>
      ) : (
        !certificate &&
        look &&
        !look.isReady && (
          <p className="mt-1 flex flex-wrap items-center gap-2 text-soft">
            A site is live at the domain now, and is to move without a gap?
            <Button disabled={isBusy} onClick={() => void acts.change({ act: 'ask by DNS' })}>
              Get it beforehand, by DNS
            </Button>
          </p>
        )
      )}
      {isAddress && certificate && (
        <div className="mt-2">
          <CheckLine
            checked={hsts}
            disabled={isBusy}
            onCheck={(on) => void acts.change({ act: 'hsts', on })}
            hint="Safer, and slow to undo: without a certificate nobody sees the site at all. Choose it once all has run for a while."
          >
            Browsers that were here come by HTTPS alone for a year (HSTS)
          </CheckLine>
        </div>
      )}
    </div>
  )
}
