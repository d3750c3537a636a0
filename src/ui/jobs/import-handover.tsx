'use client'
import { useRouter } from 'next/navigation'
import { useRef, useState } from 'react'
import { toast } from 'sonner'
import { importedJobSchema, type ImportedJob } from '@/core/replies'
import { Button } from '../parts/button'
import { FileInput } from '../parts/file-input'
import { refusal } from '../parts/notice'
import { sendFile, sentenceOf } from '../request/api'

/** What is being read in, and which share of it has been sent, from 0 to 1. */
type Reading = { readonly name: string; readonly sent: number }

/** Reads a handover in as a job, which is opened then. */
export function ReadIn() {
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const [reading, setReading] = useState<Reading | null>(null)
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return
    const { name } = file
    setReading({ name, sent: 0 })
    try {
      const taken = await sendFile(`/api/projects?name=${encodeURIComponent(name)}`, file, importedJobSchema, (sent) =>
        setReading({ name, sent }),
      )
      toast(saidOf(taken))
      for (const why of taken.without) refusal(`A template did not come along: ${why}`)
      router.push(`/jobs/${taken.job}/content`)
    } catch (error) {
      setReading(null)
      refusal(sentenceOf(error, `“${name}” could not be imported. Choose it again.`))
    }
  }
  return (
    <>
      <Button look="quiet" disabled={reading !== null} onClick={() => input.current?.click()}>
        {reading === null ? 'Import handover' : saidMeanwhile(reading)}
      </Button>
      <span role="status" className="sr-only">
        {reading === null ? '' : `Reading “${reading.name}” in`}
      </span>
      <FileInput input={input} label="Handover" accept=".zip,application/zip" onFiles={([file]) => void take(file)} />
    </>
  )
}

function saidMeanwhile({ sent }: Reading): string {
  return sent < 1 ? `Sending it: ${Math.floor(sent * 100)} %` : 'Reading it in…'
}

function saidOf({ name, isCopy, packs }: ImportedJob): string {
  const brought = packs.length === 0 ? '' : ` ${packs.length === 1 ? 'Its template came' : 'Its templates came'} with it.`
  return isCopy
    ? `The job of ${name} is here already, so this is a second job beside it.${brought}`
    : `The job of ${name} is here.${brought}`
}
