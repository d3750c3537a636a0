'use client'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { toast } from 'sonner'
import { ApiError, callApi } from '../job/api'
import { Button } from '../parts/button'
import { FileInput } from '../parts/file-input'
import { refusal } from '../parts/notice'

type TakenIn = {
  readonly job: string
  readonly name: string
  readonly isCopy: boolean
  readonly packs: readonly string[]
  readonly without: readonly string[]
}

/** Reads a handover in as a job, which is opened then. */
export function ReadIn() {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const [reading, setReading] = useState<string | null>(null)
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return
    setReading(file.name)
    try {
      const taken = await callApi<TakenIn>(`/api/projects?name=${encodeURIComponent(file.name)}`, { method: 'POST', body: file })
      toast(saidOf(taken))
      for (const why of taken.without) refusal(`A template did not come along: ${why}`)
      router.push(`/jobs/${taken.job}/content`)
    } catch (error) {
      setReading(null)
      refusal(error instanceof ApiError ? error.message : `“${file.name}” could not be read in. Choose it again.`)
    }
  }
  return (
    <>
      <Button look="quiet" disabled={reading !== null} onClick={() => input.current?.click()}>
        {reading === null ? 'Read a handover in' : 'Reading it in…'}
      </Button>
      <span role="status" className="sr-only">
        {reading === null ? '' : `Reading “${reading}” in`}
      </span>
      <FileInput input={input} label="Handover" accept=".zip,application/zip" onFiles={([file]) => void take(file)} />
    </>
  )
}

function saidOf({ name, isCopy, packs }: TakenIn): string {
  const brought = packs.length === 0 ? '' : ` ${packs.length === 1 ? 'Its template came' : 'Its templates came'} with it.`
  return isCopy
    ? `The job of ${name} is here already, so what was read in stands beside it as another one.${brought}`
    : `The job of ${name} is here.${brought}`
}
