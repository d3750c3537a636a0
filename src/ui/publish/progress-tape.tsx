'use client'
export type Progress = { readonly step: 'building' | 'sending' | 'switching'; readonly done: number; readonly total: number }

const WORDS: Record<Progress['step'], string> = {
  building: 'Making pictures',
  sending: 'Sending files',
  switching: 'Switching visitors over',
}

/** Progress as a length of tape pulled out. */
export function ProgressTape({ progress }: { progress: Progress }) {
  const share = progress.total === 0 ? 1 : progress.done / progress.total
  const words = `${WORDS[progress.step]}${progress.total > 1 ? `, ${progress.done} of ${progress.total}` : ''}`
  return (
    <div>
      <div
        role="progressbar"
        aria-label={words}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(share * 100)}
        className="h-5 border border-seam bg-cloth"
      >
        <div className="tape-ticks h-full transition-[width] motion-reduce:transition-none" style={{ width: `${share * 100}%` }} />
      </div>
      <p className="mt-1 font-mono text-xs text-soft" role="status">
        {words}
      </p>
    </div>
  )
}
