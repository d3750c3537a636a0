'use client'
import { checkReportSchema, type CheckReport, type Finding } from '@/core/replies'
import { useState } from 'react'
import { askJson } from '../request/api'
import { Button } from '../parts/button'
import { ago, count, kilobytes } from '../parts/words'
import { Fault } from '../parts/fault'
import { Part } from './part'
import { useMutation } from '../request/use-mutation'

const DONE: Readonly<Record<Finding['done'], string>> = { mended: 'Repaired.', 'set aside': 'Set aside.', left: 'Still to do.' }

/** What was found when everything that is kept was looked through, and how to pack it. */
export function CheckPart({ first }: { first: CheckReport | null }) {
  const [report, setReport] = useState(first)
  const { busy, fault, handle } = useMutation()
  const look = handle(async () => setReport(await askJson('/api/check', {}, checkReportSchema)))
  return (
    <Part title="Storage">
      <div role="status">
        {report === null ? (
          <p className="text-soft">Storage is being checked. Load this page again in a moment.</p>
        ) : (
          <p suppressHydrationWarning>
            {kilobytes(report.bytes)} in all. {count(report.looked, 'thing')} checked {ago(report.at)}:{' '}
            {report.findings.length === 0 ? (
              <span className="font-semibold text-done">everything is in order ✓</span>
            ) : (
              <span className="font-semibold text-thread">✕ {count(report.findings.length, 'finding')}</span>
            )}
          </p>
        )}
      </div>
      {report !== null && report.findings.length > 0 && (
        <ul className="mt-2 max-h-60 overflow-y-auto border border-seam bg-cloth px-3 py-1 text-sm" tabIndex={0} aria-label="Findings">
          {report.findings.map(({ about, name, what, done }, i) => (
            <li key={`${about} ${name} ${i}`} className="border-b border-seam py-1 last:border-0">
              <span className="font-semibold" dir="auto">
                {name}
              </span>{' '}
              <span className="text-soft">({about})</span> {what}. <span className="font-semibold">{DONE[done]}</span>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button disabled={busy} onClick={() => void look()}>
          {busy ? 'Looking…' : 'Check and repair'}
        </Button>
        <p className="text-sm text-soft">
          A copy of everything, while you work: <code className="font-mono text-xs text-ink">npm run pack</code>
        </p>
      </div>
      <Fault words={fault} />
    </Part>
  )
}
