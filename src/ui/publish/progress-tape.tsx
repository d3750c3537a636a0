'use client'
import { useEffect, useRef } from 'react'
import type { PublishProgress } from '@/core/replies'
import { kilobytes, timeLeft } from '../parts/words'

const WORDS: Record<PublishProgress['step'], string> = {
  building: 'Making pictures',
  sending: 'Sending files',
  switching: 'Switching visitors over',
}
/** How long is to be looked at how fast it goes, in milliseconds, before anybody is told how long it will take. */
const LOOKED = 3000

/** Progress as a length of tape pulled out: by bytes where they are known, with how long it will still take. */
export function ProgressTape({ progress }: { progress: PublishProgress }) {
  const { step, done, total, bytes } = progress
  const left = useTimeLeft(progress)
  const share = bytes && bytes[1] > 0 ? bytes[0] / bytes[1] : total === 0 ? 1 : done / total
  const what = step === 'switching' && total > 1 ? 'Putting files into place' : WORDS[step]
  const words = [
    total > 1 ? `${what}, ${done} of ${total}` : what,
    ...(bytes && bytes[1] > 0 ? [`${kilobytes(bytes[0])} of ${kilobytes(bytes[1])}`] : []),
    ...(left === null ? [] : [left]),
  ]
  return (
    <div>
      <div
        role="progressbar"
        aria-label={words[0]}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(share * 100)}
        className="h-5 border border-seam bg-cloth"
      >
        <div className="tape-ticks h-full transition-[width] motion-reduce:transition-none" style={{ width: `${share * 100}%` }} />
      </div>
      <p className="mt-1 font-mono text-xs text-soft" role="status">
        {words.join(' · ')}
      </p>
    </div>
  )
}

/** How long sending will still take at the pace it has had; null where that is not known. */
function useTimeLeft({ step, bytes }: PublishProgress): string | null {
  const since = useRef<number | null>(null)
  useEffect(() => {
    since.current = step === 'sending' ? (since.current ?? performance.now()) : null
  }, [step])
  if (step !== 'sending' || !bytes || bytes[0] === 0 || since.current === null) return null
  const spent = performance.now() - since.current
  return spent < LOOKED ? null : timeLeft((spent / bytes[0]) * (bytes[1] - bytes[0]))
}
