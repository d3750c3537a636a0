'use client'
import { Maximize2, Minimize2 } from 'lucide-react'
import { useEffect, useImperativeHandle, useLayoutEffect, useRef, useState, type Ref } from 'react'
import { asDesigned, makeDraftPainter, type Site } from '@/core/render'
import type { Page } from '@/core/site'
import type { Place } from './place'
import type { SheetEvents } from './sheet-hands'
import { SheetView } from './sheet-view'
import { SHEETS, type SheetName } from './widths'

/** Where the sheets get their page from; they draw again each time it says so. */
export type SheetSource = {
  readonly current: () => { readonly site: Site; readonly page: Page }
  readonly subscribe: (onChange: () => void) => () => void
}
/** Lines by place on one sheet: as they are now, and as the template was designed. */
export type SheetFit = { readonly now: ReadonlyMap<string, number>; readonly designed: ReadonlyMap<string, number> }
export type SheetRowHandle = { readonly hold: (place: Place | null) => void; readonly enter: (place: Place) => boolean }

type Props = {
  readonly source: SheetSource
  readonly sheets: readonly SheetName[]
  readonly label: string
  readonly events: Omit<SheetEvents, 'onScroll'> | null
  /** Where nothing is typed: which page a clicked link leads to. */
  readonly onGo?: (path: string) => void
  readonly big?: SheetName | null
  readonly onBig?: (big: SheetName | null) => void
  readonly onFit?: (sheet: SheetName, fit: SheetFit) => void
  readonly ref?: Ref<SheetRowHandle>
}

const GAP = 16

/** The page at several widths side by side, at one scale, all live: typed on one, seen on all. */
export function SheetRow({ source, sheets, label, events, onGo, big = null, onBig, onFit, ref }: Props) {
  const row = useRef<HTMLDivElement>(null)
  const frames = useRef(new Map<SheetName, HTMLIFrameElement>())
  const views = useRef(new Map<SheetName, SheetView>())
  const handlers = useRef({ events, onFit, onGo })
  const size = useSize(row)
  handlers.current = { events, onFit, onGo }

  useImperativeHandle(ref, () => ({
    hold: (place) => views.current.forEach((view) => view.hold(place)),
    enter: (place) => views.current.get(sheets[0] ?? 'desktop')?.enter(place) ?? false,
  }), [sheets])

  useEffect(() => {
    const paint = makeDraftPainter()
    const paintDesigned = makeDraftPainter()
    const all = views.current
    const now = new Map<SheetName, Map<string, number>>()
    const designed = new Map<SheetName, Map<string, number>>()
    let measuredPage = ''
    for (const name of sheets) {
      const frame = frames.current.get(name)
      if (!frame) continue
      all.set(name, new SheetView(frame, handlers.current.events && {
        onPick: (place) => handlers.current.events?.onPick(place),
        onType: (place, value) => handlers.current.events?.onType(place, value),
        onPicture: (place, file) => handlers.current.events?.onPicture(place, file),
        onGo: (path) => handlers.current.events?.onGo(path),
        onCommand: (command) => handlers.current.events?.onCommand(command),
        onScroll: (section, share) => all.forEach((view, other) => other !== name && view.scrollTo(section, share)),
      }, (path) => handlers.current.onGo?.(path)))
    }
    const lead = (name: SheetName) => () => all.forEach((view, other) => view.setLeader(other === name))
    const tell = (name: SheetName): void => handlers.current.onFit?.(name, { now: now.get(name) ?? new Map(), designed: designed.get(name) ?? new Map() })
    const measure = (name: SheetName, sections: readonly string[], anew: boolean): void => {
      const view = all.get(name)
      if (!view || !handlers.current.onFit) return
      now.set(name, new Map([...(anew ? [] : (now.get(name) ?? [])), ...view.measure(sections)]))
      tell(name)
    }
    const measureDesigned = (): void => {
      if (!handlers.current.onFit) return
      const { site, page } = source.current()
      const plain = asDesigned(site, page)
      const frame = paintDesigned(plain.site, plain.page)
      all.forEach((view, name) => void view.fontsReady().then(() => {
        designed.set(name, view.measureDesign(frame))
        measure(name, [frame.header, ...frame.sections, frame.footer].map((s) => s.id), true)
      }))
    }
    const draw = (): void => {
      const { site, page } = source.current()
      const frame = paint(site, page)
      const changed = new Map([...all].map(([name, view]) => [name, view.show(frame)] as const))
      if (page.id !== measuredPage) {
        measuredPage = page.id
        return measureDesigned()
      }
      if ([...changed.values()].some((ids) => ids.length > 0)) requestAnimationFrame(() => changed.forEach((ids, name) => measure(name, ids, false)))
    }
    draw()
    const stop = source.subscribe(draw)
    const leaders = [...frames.current].map(([name, frame]) => {
      const listener = lead(name)
      frame.addEventListener('pointerenter', listener)
      return () => frame.removeEventListener('pointerenter', listener)
    })
    const leave = (): void => all.forEach((view) => view.setLeader(false))
    const box = row.current
    box?.addEventListener('pointerleave', leave)
    return () => {
      stop()
      leaders.forEach((off) => off())
      box?.removeEventListener('pointerleave', leave)
      all.clear()
    }
  }, [source, sheets])

  const shown = big ? SHEETS.filter((s) => s.name === big) : SHEETS.filter((s) => sheets.includes(s.name))
  const total = shown.reduce((sum, s) => sum + s.width, 0)
  const scale = Math.min(1, Math.max(0.1, (size.width - GAP * (shown.length - 1)) / total))
  return (
    <div ref={row} className="flex h-full min-h-0 justify-center overflow-hidden" style={{ gap: GAP }} role="group" aria-label={label}>
      {SHEETS.filter((s) => sheets.includes(s.name)).map(({ name, width }) => (
        <figure key={name} className="m-0 flex min-h-0 flex-col" style={{ width: width * scale, display: big && big !== name ? 'none' : undefined }}>
          <figcaption className="tape-ticks flex h-5 shrink-0 items-center justify-between gap-2 px-1.5 font-mono text-xs text-ink" style={{ '--tick': `${50 * scale}px` } as React.CSSProperties}>
            <span className="bg-tape pe-1">{name}</span>
            <span className="flex items-center gap-1 bg-tape ps-1">
              {width}
              {onBig && (
                <button type="button" className="rounded-sm p-0.5 hover:bg-cloth" aria-label={big ? 'Show all three sheets' : `Show the ${name} sheet full size`} title={big ? 'All three' : 'Full size'} onClick={() => onBig(big ? null : name)}>
                  {big ? <Minimize2 size={12} aria-hidden /> : <Maximize2 size={12} aria-hidden />}
                </button>
              )}
            </span>
          </figcaption>
          <div className="relative min-h-0 flex-1 overflow-hidden border border-t-0 border-seam bg-white">
            <iframe
              ref={(element) => { if (element) frames.current.set(name, element) }}
              title={`${label}, ${name}, ${width} pixels wide`}
              className="absolute left-0 top-0 origin-top-left border-0 will-change-transform"
              style={{ width, height: Math.max(200, size.height - 20) / scale, transform: `scale(${scale})` }}
            />
          </div>
        </figure>
      ))}
    </div>
  )
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
