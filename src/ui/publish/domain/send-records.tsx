'use client'
import { Popover } from 'radix-ui'
import { useState } from 'react'
import { Button, buttonClass } from '../../parts/button'
import { refusal } from '../../parts/notice'
import { Panel } from '../../parts/panel'
import type { DomainLook } from '@/core/domain'

/** The records for whoever looks after the domain: as a letter, or as a piece of a zone file. */
export function SendRecords({ look: { zone, mail } }: { look: DomainLook }) {
  const [copied, setCopied] = useState<'letter' | 'zone' | null>(null)
  const copy = (text: string, what: 'letter' | 'zone'): void => {
    navigator.clipboard.writeText(text).then(
      () => setCopied(what),
      () => refusal('It could not be copied. Mark it and copy it by hand.'),
    )
  }
  return (
    <Popover.Root onOpenChange={() => setCopied(null)}>
      <Popover.Trigger className={buttonClass('plain')}>Send DNS records…</Popover.Trigger>
      <Panel
        side="bottom"
        align="start"
        sideOffset={6}
        aria-label="Send DNS records"
        className="max-h-(--radix-popover-content-available-height) w-[34rem] max-w-[90vw] overflow-y-auto p-4 text-sm"
      >
        <h3 className="font-bold">A letter to whoever looks after the domain</h3>
        <pre
          className="mt-2 max-h-40 overflow-auto whitespace-pre-wrap break-words border border-seam bg-table p-2 font-mono text-xs"
          tabIndex={0}
          role="region"
          aria-label="The letter"
        >
          {mail.body}
        </pre>
        <span className="mt-2 flex items-center gap-2">
          <Button onClick={() => copy(`${mail.subject}\n\n${mail.body}`, 'letter')}>Copy the letter</Button>
          <a
            className={buttonClass('plain')}
            href={`mailto:?subject=${encodeURIComponent(mail.subject)}&body=${encodeURIComponent(mail.body)}`}
          >
            Write it as a mail
          </a>
          <Copied isShown={copied === 'letter'} />
        </span>
        <h3 className="mt-4 border-t border-seam pt-3 font-bold">A piece of a zone file</h3>
        <pre
          className="mt-2 max-h-24 overflow-auto border border-seam bg-table p-2 font-mono text-xs"
          tabIndex={0}
          role="region"
          aria-label="The piece of a zone file"
        >
          {zone}
        </pre>
        <span className="mt-2 flex items-center gap-2">
          <Button onClick={() => copy(zone, 'zone')}>Copy all records</Button>
          <Copied isShown={copied === 'zone'} />
        </span>
      </Panel>
    </Popover.Root>
  )
}

function Copied({ isShown }: { isShown: boolean }) {
  return (
    <span role="status" className="font-semibold text-done">
      {isShown && '✓ Copied'}
    </span>
  )
}
