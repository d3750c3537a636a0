import { beforeAll, describe, expect, test } from 'vitest'
import { ownDataFolder } from './log-fixture'
import { someoneHere, type Headers } from './signed-in'

let headers: Headers
let route: typeof import('../../src/app/api/jobs/route')
let read: typeof import('../../src/app/api/jobs/[job]/route')
let svg: typeof import('../../src/server/readers/clean-svg')
beforeAll(async () => {
  ownDataFolder()
  headers = (await someoneHere()).headers
  ;[route, read, svg] = await Promise.all([
    import('../../src/app/api/jobs/route'),
    import('../../src/app/api/jobs/[job]/route'),
    import('../../src/server/readers/clean-svg'),
  ])
})

const post = async (body: unknown): Promise<{ status: number; job?: string; problem?: { sentence: string } }> => {
  const response = await route.POST(new Request('http://app/api/jobs', { method: 'POST', headers, body: JSON.stringify(body) }))
  return { status: response.status, ...((await response.json()) as object) }
}

describe('a new job', () => {
  test('needs a name and nothing else', async () => {
    const made = await post({ template: 'tallow', facts: { name: 'Only a Name' }, brand: {} })
    expect(made.status).toBe(200)
    const reply = await read.GET(new Request('http://app/', { headers }), { params: Promise.resolve({ job: made.job! }) })
    expect(await reply.json()).toMatchObject({
      revision: 0,
      document: { facts: { name: { value: 'Only a Name' } }, dress: { template: 'tallow' } },
      history: { rows: [], isFirst: true },
    })
  })

  test.each([
    [{ facts: {} }, 422, 'needs the client’s name'],
    [{ facts: { name: '   ' } }, 422, 'needs the client’s name'],
    [{ facts: { name: 'n'.repeat(500) } }, 400, 'facts.name'],
    [{ facts: { name: 'A', email: 'nobody' } }, 422, 'not an email address'],
    [{ facts: { name: 'A', shoeSize: 9 } }, 400, 'shoeSize'],
    [{ facts: { name: 'A' }, brand: { colour: 'mauvish' } }, 422, 'is not a colour'],
    [{ facts: { name: 'A' }, template: 'unheard-of' }, 400, 'no template unheard-of'],
  ])('made of %j is refused with %i and says why', async (given, status, says) => {
    const refused = await post({ template: 'tallow', brand: {}, ...given })
    expect(refused.status).toBe(status)
    expect(refused.problem?.sentence).toContain(says)
  })

  test('keeps its colour as six hex digits, however it was written', async () => {
    const { job } = await post({ template: 'tallow', facts: { name: 'A' }, brand: { colour: 'rebeccapurple' } })
    const reply = await read.GET(new Request('http://app/', { headers }), { params: Promise.resolve({ job: job! }) })
    expect(await reply.json()).toMatchObject({ document: { brand: { colour: '#663399' } } })
  })

  test('that is not there is a 404 in words', async () => {
    expect((await read.GET(new Request('http://app/', { headers }), { params: Promise.resolve({ job: 'nowhere' }) })).status).toBe(404)
  })
})

describe('a drawing', () => {
  const wrap = (inner: string, head = ''): string => `${head}<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 20">${inner}</svg>`
  test('that is harmless is kept with its size and made smaller', () => {
    const clean = svg.cleanSvg(
      wrap(
        '<!-- made by hand --><defs><linearGradient id="g"><stop offset="0" stop-color="red"/></linearGradient></defs>' +
          '<rect width="40" height="20" fill="url(#g)"/>',
        '<?xml version="1.0"?>',
      ),
    )
    expect(clean).toMatchObject({ ok: true, width: 40, height: 20 })
    expect(clean.ok && clean.svg).toContain('linearGradient')
    expect(clean.ok && clean.svg).not.toContain('made by hand')
  })

  test.each([
    ['<script>alert(1)</script><rect/>', 'script'],
    ['<rect onclick="alert(1)"/>', 'script'],
    ['<a href="javascript:alert(1)"><rect/></a>', 'script'],
    ['<foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><script>1</script></body></foreignObject><rect/>', 'script'],
    ['<image href="//elsewhere.example/a.png"/>', 'another place'],
    ['<rect style="fill:url(https://elsewhere.example/a.svg#x)"/>', 'another place'],
    ['<image xlink:href="https://elsewhere.example/a.png"/>', 'another place'],
    ['<use href="other.svg#a"/><rect/>', 'another place'],
    ['<style>@import "a.css";</style><rect/>', 'another place'],
    ['<style>@import url(https://elsewhere.example/a.css);</style><rect/>', 'another place'],
    ['<style>rect { --x: url(//elsewhere.example/a.png) }</style><rect/>', 'another place'],
    ['<style>rect { fill: image-set("a.png" 1x) }</style><rect/>', 'another place'],
    ['<rect fill="url(//elsewhere.example/a.svg#x)"/>', 'another place'],
    ['<rect style="fill:u\\72l(a.svg#x)"/>', 'another place'],
    ['', 'no drawing'],
    ['<title>Nothing drawn</title>', 'no drawing'],
  ])('with %s in it is refused', (inner, says) => {
    const clean = svg.cleanSvg(wrap(inner))
    expect(clean.ok ? '' : clean.fault).toContain(says)
  })

  test.each([
    '<title>Number One = Best</title><rect width="1" height="1"/>',
    '<text>javascript: on x = y</text>',
    '<style>rect { fill: url(#g) }</style><linearGradient id="g"/><rect width="1" height="1"/>',
    '<g id="a"><rect width="1" height="1"/></g><use href="#a"/>',
    '<image width="1" height="1" href="data:image/png;base64,iVBORw0KGgo="/>',
    '<rect width="1" height="1" transform="rotate(45)"/>',
  ])('with %s in it is taken', (inner) => {
    const clean = svg.cleanSvg(wrap(inner))
    expect(clean).toMatchObject({ ok: true })
    if (inner.includes('<use')) expect(clean.ok && clean.svg).toContain('<use')
  })

  test('that declares entities, or has no size, is refused', () => {
    expect(svg.cleanSvg(`<!DOCTYPE svg [<!ENTITY a "aaaa">]>${wrap('<text>&a;</text>')}`)).toMatchObject({
      ok: false,
      fault: expect.stringContaining('entities'),
    })
    expect(svg.cleanSvg('<svg xmlns="http://www.w3.org/2000/svg"><rect width="1" height="1"/></svg>')).toMatchObject({
      ok: false,
      fault: expect.stringContaining('no size'),
    })
  })
})
