/** How much of the room that others give some words is taken, as a strip of tape; `label` says it where nothing beside it does. */
export function LengthTape({ share, isCut, label }: { readonly share: number; readonly isCut: boolean; readonly label?: string }) {
  const percent = Math.round(share * 100)
  return (
    <span
      className={`inline-flex items-baseline gap-1 font-mono text-xs ${isCut ? 'text-thread' : 'text-soft'}`}
      {...(label === undefined ? {} : { role: 'img', 'aria-label': label })}
    >
      <span className="inline-block h-2 w-8 border border-seam bg-white" aria-hidden>
        <span className={`block h-full ${isCut ? 'bg-thread' : 'bg-tape'}`} style={{ width: `${Math.min(100, percent)}%` }} />
      </span>
      <span className="inline-block w-9 text-end" aria-hidden={label !== undefined}>
        {percent} %
      </span>
    </span>
  )
}
