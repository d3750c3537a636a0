/** What is done with whole sections on a sheet. */
export type SectionEvents = {
  readonly onPick: (section: string) => void
  /** A section was let go over another, at its beginning or its end. */
  readonly onDrop: (section: string, target: string, side: 'before' | 'after') => void
}

/** How far a press moves before it is a drag, and how near the edge of the sheet it scrolls along, in px. */
const SLACK = 6
const EDGE = 60
/** How far the sheet scrolls at a move near its edge, in px. */
const SCROLL = 40

type Held = { readonly section: string; readonly x: number; readonly y: number; readonly pointer: number }
type Over = { readonly target: string; readonly side: 'before' | 'after' }

/** Lets sections be chosen and dragged on a sheet on which nothing is typed. Escape lets go. */
export function takeSections(document: Document, events: () => SectionEvents | undefined): void {
  let held: Held | null = null
  let over: Over | null = null
  let marker: HTMLElement | null = null

  const end = (): void => {
    held = null
    over = null
    marker?.remove()
    marker = null
    document.documentElement.removeAttribute('data-dragging')
  }
  const move = (event: PointerEvent): void => {
    if (!held || event.pointerId !== held.pointer) return
    if (!marker) {
      if (Math.hypot(event.clientX - held.x, event.clientY - held.y) < SLACK) return
      marker = document.createElement('div')
      marker.setAttribute('data-marker', '')
      document.body.append(marker)
      document.documentElement.setAttribute('data-dragging', '')
      document.documentElement.setPointerCapture(held.pointer)
    }
    scrollNear(document, event.clientY)
    const element = sectionAt(document, event.clientX, event.clientY)
    const target = element?.getAttribute('data-section') ?? null
    if (!element || target === null || target === held.section) {
      over = null
      marker.style.display = 'none'
      return
    }
    const { top, bottom, left, width, height } = element.getBoundingClientRect()
    over = { target, side: event.clientY < top + height / 2 ? 'before' : 'after' }
    Object.assign(marker.style, { display: '', left: `${left}px`, width: `${width}px`, top: `${over.side === 'before' ? top : bottom}px` })
  }

  document.addEventListener('pointerdown', (event) => {
    const section = (event.target as Element).closest('[data-section]')?.getAttribute('data-section')
    if (section && event.button === 0 && events()) held = { section, x: event.clientX, y: event.clientY, pointer: event.pointerId }
  })
  document.addEventListener('pointermove', move)
  document.addEventListener('pointerup', (event) => {
    if (!held || event.pointerId !== held.pointer) return
    const { section } = held
    const [wasDragged, to] = [marker !== null, over]
    end()
    if (!wasDragged) {
      if (!(event.target as Element).closest('a, button')) events()?.onPick(section)
      return
    }
    // What a press ends on is not pressed when it was a drag.
    document.addEventListener('click', stop, { capture: true, once: true })
    setTimeout(() => document.removeEventListener('click', stop, { capture: true }))
    if (to) events()?.onDrop(section, to.target, to.side)
  })
  document.addEventListener('pointercancel', end)
  document.addEventListener('keydown', (event) => event.key === 'Escape' && end())
  document.addEventListener('dragstart', (event) => event.preventDefault())
}

function stop(event: Event): void {
  event.preventDefault()
  event.stopPropagation()
}

function sectionAt(document: Document, x: number, y: number): Element | null {
  return document.elementFromPoint(x, y)?.closest('[data-section]') ?? null
}

function scrollNear(document: Document, y: number): void {
  const { documentElement: root } = document
  if (y < EDGE) root.scrollTop -= SCROLL
  else if (y > root.clientHeight - EDGE) root.scrollTop += SCROLL
}
