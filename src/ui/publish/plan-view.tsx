'use client'
import type { PlannedFile, PublishPlan } from '@/core/release'
import { count, kilobytes } from '../parts/words'

/** Exactly which files will be new, changed and removed, and how much travels. */
export function PlanView({ plan, isUnedited }: { readonly plan: PublishPlan; readonly isUnedited: boolean }) {
  const nothing = plan.added.length + plan.changed.length + plan.removed.length === 0
  return (
    <div>
      <dl className="grid grid-cols-3 gap-px border border-seam bg-seam">
        <Figure label="new" value={String(plan.added.length)} />
        <Figure label="changed" value={String(plan.changed.length)} />
        <Figure label="removed" value={String(plan.removed.length)} />
        <Figure label="as they are" value={String(plan.unchanged)} />
        <Figure label="to send" value={kilobytes(plan.bytesToSend)} />
        <Figure label="whole site" value={kilobytes(plan.bytesTotal)} />
      </dl>
      {nothing ? (
        <p className="mt-2 text-soft">What is live is what is here. There is nothing to publish.</p>
      ) : (
        <div className="mt-2 grid gap-1">
          {isUnedited && (
            <p className="text-sm text-soft">
              No page was edited since. What differs is worked out with each release, such as the width at which the menu folds.
            </p>
          )}
          <FileList word="New" sign="+" files={plan.added} />
          <FileList word="Changed" sign="~" files={plan.changed} />
          <FileList word="Removed" sign="−" files={plan.removed} />
        </div>
      )}
    </div>
  )
}

function Figure({ label, value }: { label: string; value: string }) {
  return (
    <div className="bg-cloth px-3 py-2">
      <dt className="text-sm text-soft">{label}</dt>
      <dd className="font-mono text-lg font-medium">{value}</dd>
    </div>
  )
}

function FileList({ word, sign, files }: { word: string; sign: string; files: readonly PlannedFile[] }) {
  if (files.length === 0) return null
  return (
    <details open={files.length <= 12} className="border border-seam bg-cloth px-3 py-1.5">
      <summary className="cursor-pointer text-sm font-semibold">
        {word}: {count(files.length, 'file')}
      </summary>
      <ul className="mt-1 max-h-64 overflow-y-auto font-mono text-xs leading-relaxed" tabIndex={0} aria-label={`${word} files`}>
        {files.map((file) => (
          <li key={file.path} className="flex justify-between gap-4 border-t border-grid py-0.5">
            <span className="min-w-0 break-all">
              <span aria-hidden className="me-2 text-soft">
                {sign}
              </span>
              {file.path}
            </span>
            <span className="shrink-0 text-soft">{kilobytes(file.bytes)}</span>
          </li>
        ))}
      </ul>
    </details>
  )
}
