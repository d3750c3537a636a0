import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import * as v from 'valibot'
import { recordSchema, TYPES, type Zones } from './zones'

const MOST_BODY = 64 * 1024
const STYLE = `body{font:15px/1.5 Georgia,serif;max-width:60rem;margin:2rem auto;padding:0 1rem;color:#2b2118;background:#f4efe6}
table{border-collapse:collapse;width:100%;background:#fffdf8}td,th{text-align:start;padding:.35rem .6rem;border-bottom:1px solid #d8cdb9;
overflow-wrap:anywhere}input,select,button{font:inherit;padding:.25rem .4rem}form{display:inline}fieldset{border:0;padding:0;margin:1rem 0}
.wrong{background:#f7d9cf;padding:.6rem}code{font-family:ui-monospace,monospace}`

/** A registrar's page on which records and their times are set, domain by domain; plain forms. `forget` empties what name servers keep. */
export function registrarPage(zones: Zones, forget: () => void): Server {
  return createServer((request, response) => {
    const work = request.method === 'POST' ? change(zones, forget, request, response) : Promise.resolve(show(zones, request, response))
    work.catch((error: unknown) => html(response, 500, 'Not done', `<p>${escape(String(error))}</p>`))
  })
}

function show(zones: Zones, request: IncomingMessage, response: ServerResponse, fault = ''): void {
  const [, at, zone = ''] = (request.url ?? '/').split('/').map(decodeURIComponent)
  const found = at === 'domains' ? zones.get(zone) : undefined
  if (!found) {
    const list = zones.names().map((name) => `<li><a href="/domains/${name}">${name}</a></li>`)
    return html(response, 200, 'Your domains', `<ul>${list.join('')}</ul>${KEPT}`)
  }
  const rows = found.records.map(
    (one, index) =>
      `<tr><td><code>${escape(one.name)}</code></td><td>${one.type}</td><td><code>${escape(one.value)}</code></td>` +
      `<td>${one.ttl} s</td><td>` +
      `<form method="post" action="/domains/${zone}/remove"><button name="index" value="${index}" aria-label="Remove ${one.type} ` +
      `${escape(one.name)}">Remove</button></form></td></tr>`,
  )
  html(
    response,
    fault === '' ? 200 : 422,
    zone,
    `${fault === '' ? '' : `<p class="wrong" role="alert">${escape(fault)}</p>`}
    <table><thead><tr><th>Name</th><th>Type</th><th>Value</th><th>TTL</th><th></th></tr></thead><tbody>${rows.join('')}</tbody></table>
    <form method="post" action="/domains/${zone}/add"><fieldset><legend><b>Add a record</b></legend>
    <label>Name <input name="name" placeholder="@ or www" required></label>.${zone}
    <label>Type <select name="type">${TYPES.map((type) => `<option>${type}</option>`).join('')}</select></label>
    <label>Value <input name="value" size="34" required></label>
    <label>TTL <input name="ttl" type="number" value="300" min="1" style="width:6rem"></label> <button>Add</button></fieldset></form>
    <form method="post" action="/domains/${zone}/fails"><button name="fails" value="${found.fails ? '' : 'yes'}">
    ${found.fails ? 'Answer questions again' : 'Let every question fail (SERVFAIL)'}</button></form>${KEPT}`,
  )
}

const KEPT = `<p><form method="post" action="/forget"><button>Let name servers forget what they keep</button></form></p>
<p><a href="/">All domains</a></p>`

async function change(zones: Zones, forget: () => void, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const [, at, zone = '', act] = (request.url ?? '/').split('/').map(decodeURIComponent)
  const sent = new URLSearchParams(await bodyOf(request))
  const text = (name: string): string => sent.get(name) ?? ''
  if (at === 'forget') forget()
  if (at === 'domains' && act === 'remove') zones.remove(zone, Number(text('index')))
  if (at === 'domains' && act === 'fails') zones.setFails(zone, text('fails') !== '')
  if (at === 'domains' && act === 'add') {
    const typed = text('name').trim().toLowerCase().replace(/\.$/, '')
    const name = typed === '@' || typed === '' ? zone : typed === zone || typed.endsWith(`.${zone}`) ? typed : `${typed}.${zone}`
    const value = text('type') === 'CNAME' ? text('value').trim().replace(/\.$/, '') : text('value')
    const read = v.safeParse(recordSchema, { name, type: text('type'), value, ttl: Number(text('ttl')) })
    if (!read.success) return show(zones, request, response, read.issues[0].message)
    zones.add(zone, read.output)
  }
  response.writeHead(303, { location: at === 'domains' ? `/domains/${zone}` : '/' }).end()
}

async function bodyOf(request: IncomingMessage): Promise<string> {
  const parts: Buffer[] = []
  let bytes = 0
  for await (const part of request as AsyncIterable<Buffer>) {
    bytes += part.length
    if (bytes > MOST_BODY) throw new Error('That is too long.')
    parts.push(part)
  }
  return Buffer.concat(parts).toString('utf8')
}

function html(response: ServerResponse, status: number, title: string, body: string): void {
  response
    .writeHead(status, { 'content-type': 'text/html; charset=utf-8', 'x-content-type-options': 'nosniff' })
    .end(
      `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">` +
        `<title>${escape(title)} · Hedgerow Names</title>` +
        `<style>${STYLE}</style><p>Hedgerow Names, domains since Tuesday</p><h1>${escape(title)}</h1>${body}</html>`,
    )
}

function escape(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;')
}
