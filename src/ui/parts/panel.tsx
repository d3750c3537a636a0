'use client'
import { Popover } from 'radix-ui'
import type { ComponentProps } from 'react'

type Props = ComponentProps<typeof Popover.Content> & { readonly 'aria-label': string }

/** What opens beside the button that was pressed: over everything, within the window, under a name of its own. */
export function Panel({ className = '', ...props }: Props) {
  return (
    <Popover.Portal>
      <Popover.Content sideOffset={4} collisionPadding={8} {...props} className={`z-30 border border-ink bg-cloth ${className}`} />
    </Popover.Portal>
  )
}
