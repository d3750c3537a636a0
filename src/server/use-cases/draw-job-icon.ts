import * as v from 'valibot'
import { findFamily } from '../../core/type'
import { Problem } from '../problems'
import { drawIcon } from '../releases/icons'
import { siteForSheets } from './home-sheet'

const hex = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/))
const querySchema = v.strictObject({
  letters: v.pipe(v.string(), v.maxLength(3)),
  family: v.pipe(v.string(), v.maxLength(80)),
  grounds: v.pipe(
    v.string(),
    v.maxLength(1000),
    v.parseJson(),
    v.tupleWithRest(
      [v.strictObject({ ground: hex, ink: hex, mark: v.nullable(v.pipe(v.string(), v.maxLength(120))) })],
      v.strictObject({ ground: hex, ink: hex, mark: v.nullable(v.pipe(v.string(), v.maxLength(120))) }),
    ),
  ),
  form: v.picklist(['square', 'soft', 'round']),
})

/** A site's icon as it is being chosen, drawn from what the query says. */
export async function drawJobIcon(job: string, asked: URLSearchParams): Promise<string> {
  const query = v.safeParse(querySchema, Object.fromEntries(asked))
  if (!query.success) throw new Problem('requestWrong', { fault: 'the icon is not described' })
  const { family: key, ...plan } = query.output
  const family = findFamily(key, (await siteForSheets(job)).document.brand.fonts)
  if (!family) throw new Problem('requestWrong', { fault: 'there is no such family' })
  return drawIcon({ ...plan, family, weight: 700 })
}
