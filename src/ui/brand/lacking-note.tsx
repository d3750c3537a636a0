import { siteLetters } from '@/core/brand'
import { lackingLetters, type Family } from '@/core/type'
import { useSite } from '../job/use-site'
import { useFamilies } from './family-faces'

type Props = { readonly family: Family; readonly onFamily: (key: string) => void }
const MOST_LETTERS = 12
const MOST_FAMILIES = 4

/** Which of the site's letters a family lacks, and the families that have them all: those of its own kind first. */
export function LackingNote({ family, onFamily }: Props) {
  const site = useSite()
  const families = useFamilies()
  const letters = siteLetters(site)
  const lacking = lackingLetters(family, [letters])
  if (lacking.length === 0) return null
  const having = families
    .filter((f) => lackingLetters(f, [letters]).length === 0)
    .sort((a, b) => Number(b.kind === family.kind) - Number(a.kind === family.kind))
    .slice(0, MOST_FAMILIES)
  return (
    <div className="ms-26 text-sm" role="status">
      <p>
        {family.name} lacks {lacking.length === 1 ? 'a letter' : `${lacking.length} letters`} of this site:{' '}
        <bdi className="font-semibold">{lacking.slice(0, MOST_LETTERS).join(' ')}</bdi>
        {lacking.length > MOST_LETTERS && ' …'}. Visitors would see them in whatever family they have.
      </p>
      {having.length > 0 && (
        <p className="mt-1 flex flex-wrap items-center gap-1.5">
          Has them all:
          {having.map((f) => (
            <button
              key={f.key}
              type="button"
              className="rounded-sm border border-seam bg-white px-1.5 hover:border-ink hover:bg-tape"
              onClick={() => onFamily(f.key)}
            >
              {f.name}
            </button>
          ))}
        </p>
      )}
    </div>
  )
}
