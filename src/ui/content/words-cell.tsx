import type { LedgerRow } from '@/core/fill'
import { siteLanguage, type LinkTarget, type RichText } from '@/core/site'
import { useJob } from '../job/job-context'
import { RichCell } from '../words/rich-cell'
import { allowedAt, useChip, sayLeft } from './word-settings'

type Props = {
  readonly row: LedgerRow
  readonly label: string
  readonly rich: RichText
  readonly onChange: (rich: RichText) => void
  readonly onTarget: (to: LinkTarget) => void
}

/** A rich place of the ledger. */
export function WordsCell({ row, label, rich, onChange, onTarget }: Props) {
  const language = useJob((s) => siteLanguage(s.document))
  const allowed = useJob((s) => allowedAt(s.document, row.place))
  const chip = useChip()
  return (
    <RichCell
      label={label}
      rich={rich}
      allowed={allowed}
      language={language}
      leftover={row.leftover}
      chip={chip}
      onChange={onChange}
      onTarget={onTarget}
      onLeft={sayLeft}
    />
  )
}
