import * as v from 'valibot'
import { draftSite } from '@/server/draft'
import { problemResponse } from '@/server/http'
import { Problem } from '@/server/problems'
import { drawIcon } from '@/server/releases/icons'
import { findFamily } from '@/core/type'

const hex = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/))
const querySchema = v.strictObject({ letters: v.pipe(v.string(), v.maxLength(3)), mark: v.pipe(v.string(), v.maxLength(120)), family: v.pipe(v.string(), v.maxLength(80)), ground: hex, ink: hex, form: v.picklist(['square', 'soft', 'round']) })

/** A site's icon as it is being chosen, drawn from what the query says. */
export async function GET(request: Request, { params }: { params: Promise<{ job: string }> }): Promise<Response> {
  try {
    const query = v.safeParse(querySchema, Object.fromEntries(new URL(request.url).searchParams))
    if (!query.success) throw new Problem('requestWrong', { fault: 'the icon is not described' })
    const { mark, family: key, ...plan } = query.output
    const family = findFamily(key, (await draftSite((await params).job)).document.brand.fonts)
    if (!family) throw new Problem('requestWrong', { fault: 'there is no such family' })
    const svg = await drawIcon({ ...plan, mark: mark === '' ? null : mark, family, weight: 700 })
    return new Response(svg, { headers: { 'content-type': 'image/svg+xml', 'cache-control': 'private, max-age=3600', 'content-security-policy': "default-src 'none'; img-src data:; style-src 'unsafe-inline'" } })
  } catch (error) {
    return problemResponse(error)
  }
}
