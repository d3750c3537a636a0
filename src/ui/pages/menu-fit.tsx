import { NEVER } from '@/core/render'
import { useJob } from '../job/job-context'

/** Says where the menu does not fit as it was designed, and which entry is too many; nothing where it fits at every width. */
export function MenuFitLine() {
  const fit = useJob((s) => s.menuFit)
  if (!fit || fit.from === null) return null
  const entry = fit.breaks === null ? 'One entry' : `“${fit.breaks}”`
  return (
    <p role="status" className="mb-2 border-s-4 border-tape ps-2 text-sm" data-menu-fit={fit.from}>
      {fit.from === NEVER
        ? `The menu is longer than its header on every screen: ${entry} is too many. It opens by its button.`
        : `Under ${px(fit.from)} the menu does not fit its header: ${entry} is too many. There it opens by its button.`}
    </p>
  )
}

function px(width: number): string {
  return `${width.toLocaleString('en-GB')} px`
}
