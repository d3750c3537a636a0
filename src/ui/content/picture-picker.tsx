'use client'
import { useCallback, useImperativeHandle, useRef, type Ref } from 'react'
import type { SlotPlace } from '@/core/site'
import { PICTURE_TYPES } from '../fields/logo-input'
import { useJobStore } from '../job/job-context'
import { putPicture } from './slot-actions'
import { FileInput } from '../parts/file-input'

export type PicturePickerHandle = { readonly ask: (place: SlotPlace, file: File | null) => void }

/** Puts a picture into a place of a sheet: the file that was dropped on it, or one that is asked for. */
export function PicturePicker({ ref }: { ref: Ref<PicturePickerHandle> }) {
  const store = useJobStore()
  const input = useRef<HTMLInputElement>(null)
  const wanted = useRef<SlotPlace | null>(null)
  const put = useCallback(
    (place: SlotPlace | null, file: File | undefined) => {
      if (place && file) void putPicture(store, place, file, () => undefined)
    },
    [store],
  )
  useImperativeHandle(
    ref,
    () => ({
      ask: (place, file) => {
        if (file) return put(place, file)
        wanted.current = place
        input.current?.click()
      },
    }),
    [put],
  )
  return (
    <FileInput input={input} label="Picture for the place in hand" accept={PICTURE_TYPES} onFiles={([file]) => put(wanted.current, file)} />
  )
}
