'use client'
import { Maximize2, Minimize2 } from 'lucide-react'
import { useEffect, useImperativeHandle, useLayoutEffect, useRef, useState, type ReactNode, type Ref } from 'react'
import type { Place, SectionId } from '@/core/site'
import type { SectionEvents } from './section-hands'
import { Boundary } from '../parts/boundary'
import { SheetGroup, type HandEvents, type SheetFit, type SheetSource } from './sheet-group'
import { SHEETS, type SheetName } from './widths'

export type { SheetFit, SheetSource } from './sheet-group'

export type SheetRowHandle = { readonly hold: (place: Place | null) => void }

type Props = {
  readonly source: SheetSource
  readonly sheets: readonly SheetName[]
  readonly label: string
  readonly events: HandEvents | null
  /** Where nothing is typed: which page a clicked link leads to. */
  readonly onGo?: (path: string) => void
  /** Where nothing is typed: sections are chosen and dragged on the sheets. */
  readonly sections?: SectionEvents
  readonly big?: SheetName | null
  readonly onBig?: (big: SheetName | null) => void
  readonly onFit?: (sheet: SheetName, fit: SheetFit) => void
  /** The section in hand: it is marked, and comes into sight. */
  readonly section?: SectionId | null
  /** What stands on the tape over a sheet while a hand is at work on it. */
  readonly tools?: (sheet: SheetName) => ReactNode
  readonly ref?: Ref<SheetRowHandle>
}

const GAP = 16

/**
 * The page at several widths side by side, at one scale, all live: typed on one, seen on all. Where it cannot be drawn, now or after a
 * change, that is said in its place, and everything around it goes on working.
 */
export function SheetRow(props: Props) {
  return (
    <Boundary what="The page">
      <Sheets {...props} />
    </Boundary>
  )
}

function Sheets({ source, sheets, label, events, onGo, sections, big = null, onBig, onFit, section = null, tools, ref }: Props) {
  const row = useRef<HTMLDivElement>(null)
  const frames = useRef(new Map<SheetName, HTMLIFrameElement>())
  const group = useRef<SheetGroup | null>(null)
  const handlers = useRef({ events, onFit, onGo, sections })
  const size = useSize(row)
  const [, setFault] = useState(null)
  handlers.current = { events, onFit, onGo, sections }

  useImperativeHandle(ref, () => ({ hold: (place) => group.current?.hold(place) }), [])

  useEffect(() => {
    const made = new SheetGroup(new Map(sheets.flatMap((name) => frameOf(frames.current, name))), source, () => handlers.current)
    group.current = made
    // Thrown where React hears it: what draws is told of a change by the job itself.
    const stop = made.start((fault) =>
      setFault(() => {
        throw fault
      }),
    )
    return () => {
      stop()
      group.current = null
    }
  }, [source, sheets])

  useEffect(() => group.current?.holdSection(section), [section, source, sheets])

  const shown = big ? SHEETS.filter((s) => s.name === big) : SHEETS.filter((s) => sheets.includes(s.name))
  const total = shown.reduce((sum, s) => sum + s.width, 0)
  const scale = Math.min(1, Math.max(0.1, (size.width - GAP * (shown.length - 1)) / total))
  return (
    <div
      ref={row}
      onPointerLeave={() => group.current?.lead(null)}
      className="flex h-full min-h-0 justify-center overflow-hidden"
      style={{ gap: GAP }}
      role="group"
      aria-label={label}
    >
      {SHEETS.filter((s) => sheets.includes(s.name)).map(({ name, width }) => (
        <figure
          key={name}
          className="m-0 flex min-h-0 flex-col"
          style={{ width: width * scale, display: big && big !== name ? 'none' : undefined }}
        >
          <figcaption
            className="tape-ticks relative flex h-6 shrink-0 items-center justify-between gap-2 px-1.5 font-mono text-xs text-ink"
            style={{ '--tick': `${50 * scale}px` } as React.CSSProperties}
          >
            <span className="bg-tape pe-1">{name}</span>
            <span className="flex items-center gap-1 bg-tape ps-1">
              {width}
              {onBig && (
                <button
                  type="button"
                  className="rounded-sm hover:bg-cloth"
                  aria-label={big ? 'Show all three sheets' : `Show the ${name} sheet full size`}
                  title={big ? 'All three' : 'Full size'}
                  onClick={() => onBig(big ? null : name)}
                >
                  {big ? <Minimize2 size={12} aria-hidden /> : <Maximize2 size={12} aria-hidden />}
                </button>
              )}
            </span>
            {tools && <div className="absolute inset-y-0 end-[4.75rem] flex items-center">{tools(name)}</div>}
          </figcaption>
          <div className="relative min-h-0 flex-1 overflow-hidden border border-t-0 border-seam bg-white">
            <iframe
              ref={(element) => {
                if (element) frames.current.set(name, element)
              }}
              title={`${label}, ${name}, ${width} pixels wide`}
              tabIndex={-1}
              onPointerEnter={() => group.current?.lead(name)}
              className="absolute left-0 top-0 origin-top-left border-0 will-change-transform"
              style={{ width, height: Math.max(200, size.height - 24) / scale, transform: `scale(${scale})` }}
            />
          </div>
        </figure>
      ))}
    </div>
  )
}

function frameOf(frames: ReadonlyMap<SheetName, HTMLIFrameElement>, name: SheetName): [SheetName, HTMLIFrameElement][] {
  const frame = frames.get(name)
  return frame ? [[name, frame]] : []
}

function useSize(of: { readonly current: HTMLElement | null }): { width: number; height: number } {
  const [size, setSize] = useState({ width: 1240, height: 400 })
  useLayoutEffect(() => {
    const element = of.current
    if (!element) return
    const observer = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }))
    observer.observe(element)
    return () => observer.disconnect()
  }, [of])
  return size
}
