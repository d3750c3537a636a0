'use client'
import { QrCode as QrSign } from 'lucide-react'
import { Popover } from 'radix-ui'
import { useMemo } from 'react'
import { qrCode, qrPath, qrSvg, shareText, type QrCode } from '@/core/release'
import { factsOf } from '@/core/site'
import { useJob } from '../job/job-context'
import { Button } from '../parts/button'
import { CopyButton } from '../parts/copy-button'
import { refusal } from '../parts/notice'
import { saveFile } from '../parts/save-file'
import { Panel } from '../parts/panel'

/** How wide the picture of a code is at least, in px: enough to print it a hand wide at 300 dots an inch. */
const LEAST_WIDE = 1200

/** The live address as a code to scan and as words to send. */
export function ShareAddress({ url }: { readonly url: string }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className="rounded-sm border border-clear p-1.5 hover:border-seam hover:bg-cloth data-[state=open]:border-ink"
        aria-label="Share the live address: code and words"
        title="Share: QR code and words"
      >
        <QrSign size={15} aria-hidden />
      </Popover.Trigger>
      <Panel side="top" align="start" sideOffset={6} aria-label="Share the live address" className="w-96 p-4 text-sm">
        <Shared url={url} />
      </Panel>
    </Popover.Root>
  )
}

function Shared({ url }: { readonly url: string }) {
  const words = useJob((s) => shareText(factsOf(s.document), url))
  const code = useMemo(() => qrCode(url), [url])
  const { hostname, pathname } = new URL(url)
  const name = (hostname + pathname).replaceAll(/[^\p{L}\p{N}]+/gu, '-').replace(/-$/, '')
  return (
    <div className="grid grid-cols-[9rem_minmax(0,1fr)] gap-4">
      <svg
        viewBox={`0 0 ${code.side} ${code.side}`}
        className="w-full border border-seam bg-white"
        shapeRendering="crispEdges"
        role="img"
        aria-label={`QR code of ${url}`}
      >
        <path d={qrPath(code)} />
      </svg>
      <div className="grid content-start justify-items-start gap-2">
        <h3 className="font-bold">As a code</h3>
        <p className="text-soft">For a window, a card or a van; it leads to the live address and nowhere else.</p>
        <span className="flex gap-2">
          <Button onClick={() => saveFile(`${name}.svg`, new Blob([qrSvg(code)], { type: 'image/svg+xml' }))}>SVG</Button>
          <Button onClick={() => void savePng(code, `${name}.png`)}>PNG</Button>
        </span>
      </div>
      <div className="col-span-2 border-t border-seam pt-3">
        <h3 className="flex items-center gap-1 font-bold">
          As words
          <CopyButton text={words} label="Copy the words with the address" />
        </h3>
        <p className="whitespace-pre-line break-words" dir="auto">
          {words}
        </p>
      </div>
    </div>
  )
}

/** Whole points for each module, so that every edge is sharp. */
async function savePng({ side, isDark }: QrCode, name: string): Promise<void> {
  const scale = Math.ceil(LEAST_WIDE / side)
  const canvas = document.createElement('canvas')
  canvas.width = canvas.height = side * scale
  const pen = canvas.getContext('2d')
  if (pen) {
    pen.fillStyle = '#fff'
    pen.fillRect(0, 0, canvas.width, canvas.height)
    pen.fillStyle = '#000'
    for (let y = 0; y < side; y++) for (let x = 0; x < side; x++) if (isDark(x, y)) pen.fillRect(x * scale, y * scale, scale, scale)
  }
  const file = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
  if (file) saveFile(name, file)
  else refusal('The picture could not be made here. Save the code as SVG.')
}
