'use client'
import { Undo2 } from 'lucide-react'
import type { ReactNode } from 'react'
import { useKeyWords } from '../keys/use-key'
import type { LineFit } from '../sheets/widths'
import { FitStrip } from './fit-strip'
import { useRange } from './range'
import { ROW_GRID } from './row-look'

export type RowState =
  | 'leftover'
  | 'standard word'
  | 'draft'
  | 'client’s'
  | 'kept'
  | 'not needed'
  | 'has none'
  | 'not set'
  | 'computed'
  | 'as designed'
  | 'hidden'
  | 'same'

type Props = {
  readonly id: string
  readonly label: ReactNode
  readonly template: ReactNode
  readonly state: RowState
  readonly inHand: boolean
  readonly fit?: LineFit | undefined
  /** What the lines are held to. */
  readonly lines?: ReactNode
  /** Adopts the template's content as the client's. */
  readonly onKeep?: (() => void) | undefined
  /** Makes draft words the client's own. */
  readonly onConfirm?: (() => void) | undefined
  /** Says that the client has nothing of the kind: nothing stands there, and it counts as done. */
  readonly onNone?: (() => void) | undefined
  /** Says that nothing is needed here: nothing stands there, and it counts as done. */
  readonly onSpare?: (() => void) | undefined
  /** Says it in the plain word of the site's language. */
  readonly onPlain?: (() => void) | undefined
  /** Takes the client's content out again. */
  readonly onBack?: (() => void) | undefined
  readonly onHold: () => void
  readonly children: ReactNode
}

/** One line of the ledger: the place, the template's content beside the client's, the fit, the state. */
export function RowFrame({
  id,
  label,
  template,
  state,
  inHand,
  fit,
  lines,
  onKeep,
  onConfirm,
  onNone,
  onSpare,
  onPlain,
  onBack,
  onHold,
  children,
}: Props) {
  const leftover = state === 'leftover'
  const draft = state === 'draft'
  const isChosen = useRange((range) => range.chosen.has(id))
  return (
    <div
      id={`row-${id}`}
      data-row={id}
      role="group"
      tabIndex={-1}
      aria-current={inHand || undefined}
      className={
        `${ROW_GRID} group/row scroll-my-16 items-start [contain-intrinsic-size:auto_3rem] [content-visibility:auto] border-b ` +
        `border-seam py-1.5 pe-3 ps-4 ${leftover ? 'stitch-start' : ''} ` +
        `${inHand ? 'shadow-[inset_4px_0_0_var(--color-tape)]' : ''} ${isChosen ? 'bg-tape-pale!' : inHand ? 'bg-white' : ''}`
      }
      onFocusCapture={onHold}
    >
      <div className="pt-1.5 text-sm font-semibold leading-snug">
        {label}
        {isChosen && <span className="sr-only"> (chosen)</span>}
      </div>
      <div className="min-w-0 pt-1.5 text-sm leading-snug text-soft">{template}</div>
      <div className="min-w-0" data-client>
        {children}
      </div>
      <div className="flex items-start justify-between gap-1 pt-1">
        {fit && <FitStrip fit={fit} />}
        {lines}
      </div>
      <div className="flex flex-wrap items-center gap-1.5 pt-1 text-sm">
        <span
          className={
            leftover
              ? 'stitch-under me-auto pb-0.5 font-medium text-thread'
              : draft
                ? 'me-auto border-b-2 border-dotted border-tape-dark font-medium text-tape-dark'
                : 'me-auto text-soft'
          }
        >
          {state}
        </span>
        {leftover && onKeep && (
          <Act keep title="Keep the template’s words as the client’s" onClick={onKeep}>
            Keep
          </Act>
        )}
        {onSpare && (
          <Act spare title="Show nothing here, not the template’s either" onClick={onSpare}>
            Not needed
          </Act>
        )}
        {leftover && onNone && (
          <Act spare title="The client has none: show nothing here, not the template’s either" onClick={onNone}>
            Has none
          </Act>
        )}
        {onPlain && (
          <Act title="Use the standard word of the site’s language" onClick={onPlain}>
            Standard
          </Act>
        )}
        {draft && onConfirm && (
          <Act keep title="These words came from a phrase bank: make them the client’s own" onClick={onConfirm}>
            Confirm
          </Act>
        )}
        {!leftover && onBack && (
          <button
            type="button"
            className="rounded-sm border border-clear p-1 text-soft hover:border-ink hover:text-ink"
            aria-label="Remove the client’s content and show the template’s"
            title="Remove the client’s, show the template’s"
            onClick={onBack}
          >
            <Undo2 size={13} aria-hidden />
          </button>
        )}
      </div>
    </div>
  )
}

type ActProps = { keep?: true; spare?: true; title: string; onClick: () => void; children: ReactNode }

/** What settles a row; one that keeps is pressed by a key too, and one that says there is nothing. */
function Act({ keep, spare, title, onClick, children }: ActProps) {
  const keyWords = useKeyWords()
  const key = keep ? 'keep' : spare ? 'spare' : null
  return (
    <button
      type="button"
      className="rounded-sm border border-seam px-1.5 text-sm hover:border-ink hover:bg-tape"
      title={key ? `${title} (${keyWords(key)})` : title}
      onClick={onClick}
      data-keep={keep}
      data-spare={spare}
    >
      {children}
    </button>
  )
}
