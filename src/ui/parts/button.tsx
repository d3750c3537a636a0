import type { ComponentProps } from 'react'

type Look = 'main' | 'plain' | 'quiet'
const LOOKS: Record<Look, string> = {
  main: 'bg-ink text-cloth border-ink hover:bg-cloth hover:text-ink disabled:bg-seam disabled:border-seam disabled:text-soft',
  plain: 'bg-cloth text-ink border-ink hover:bg-tape disabled:border-seam disabled:text-soft disabled:hover:bg-cloth',
  quiet:
    'bg-clear text-ink border-clear hover:border-seam hover:bg-cloth disabled:text-soft disabled:hover:border-clear ' +
    'disabled:hover:bg-clear',
}

export function buttonClass(look: Look = 'plain'): string {
  return (
    'inline-flex items-center justify-center whitespace-nowrap gap-1.5 rounded-sm border px-3 py-1.5 text-sm ' +
    `font-semibold leading-tight ${LOOKS[look]}`
  )
}

export function Button({ look = 'plain', className = '', ...rest }: ComponentProps<'button'> & { look?: Look }) {
  return <button type="button" className={`${buttonClass(look)} ${className}`} {...rest} />
}
