import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Person } from '../../src/core/people'
import { sessionCookies, sessionIn } from '../../src/server/http/cookies'
import { ownDataFolder } from './log-fixture'

const HERE = { device: 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0', address: '192.0.2.7' }
const MARA = { name: 'Mara Quill', email: 'mara@quill.example', password: 'seven pins in a lemon tree' }

let door: typeof import('../../src/server/use-cases/come-in')
let account: typeof import('../../src/server/use-cases/account')
let inviting: typeof import('../../src/server/use-cases/invite')
let passes: typeof import('../../src/server/use-cases/use-pass')
let sessions: typeof import('../../src/server/people/sessions')
let guessing: typeof import('../../src/server/people/guessing')
let access: typeof import('../../src/server/people/access')
let database: typeof import('../../src/server/store/db')
let people: typeof import('../../src/server/store/people')
let jobs: typeof import('../../src/server/use-cases/make-job')
let data = ''
let mara: Person
let first = ''

beforeAll(async () => {
  data = ownDataFolder()
  ;[door, account, inviting, passes, sessions, guessing, access, database, people, jobs] = await Promise.all([
    import('../../src/server/use-cases/come-in'),
    import('../../src/server/use-cases/account'),
    import('../../src/server/use-cases/invite'),
    import('../../src/server/use-cases/use-pass'),
    import('../../src/server/people/sessions'),
    import('../../src/server/people/guessing'),
    import('../../src/server/people/access'),
    import('../../src/server/store/db'),
    import('../../src/server/store/people'),
    import('../../src/server/use-cases/make-job'),
  ])
  expect(door.isFirstStart()).toBe(true)
  first = await door.firstStart(MARA, HERE)
  mara = whose(first)
})

function whose(token: string): Person {
  const known = sessions.whoseToken(token)
  if (!known) throw new Error('This token lets nobody in')
  return known.person
}

const newJob = (name: string): string => jobs.makeJob({ template: 'tallow', facts: { name }, brand: {} })

describe('the first start', () => {
  test('makes the owner, and there is one of it, however many ask at once', async () => {
    expect(mara).toMatchObject({ name: 'Mara Quill', role: 'owner' })
    expect(door.isFirstStart()).toBe(false)
    await expect(door.firstStart({ ...MARA, email: 'other@quill.example' }, HERE)).rejects.toMatchObject({ code: 'startedAlready' })
  })

  test.each([
    [{ name: ' ' }, 'needs a name'],
    [{ email: 'mara at quill' }, 'is not an email address'],
    [{ email: '' }, 'needs an email address'],
    [{ password: 'short' }, 'at least 12 characters'],
    [{ password: 'x'.repeat(129) }, 'at most 128 characters'],
    [{ password: 'password password' }, 'words said twice'],
    [{ password: 'Sam Ives sam@ives.example 1' }, 'Without your own name'],
  ])('refuses %o in words', async (wrong, words) => {
    const given = { name: 'Sam Ives', email: 'sam@ives.example', password: 'copper kettle over the moor', ...wrong }
    const { makePerson } = await import('../../src/server/people/new-person')
    await expect(makePerson(given, 'editor', () => undefined)).rejects.toThrow(words)
    expect(people.listPeople().map(({ email }) => email)).not.toContain(given.email)
  })
})

describe('signing in', () => {
  test('takes the right password, typed on whatever keyboard, and no other', async () => {
    expect(whose(await door.signIn({ email: 'MARA@quill.example', password: MARA.password }, HERE)).id).toBe(mara.id)
    await expect(door.signIn({ email: MARA.email, password: `${MARA.password}.` }, HERE)).rejects.toMatchObject({ code: 'signInWrong' })
    const unknown = door.signIn({ email: 'nobody@quill.example', password: MARA.password }, HERE)
    await expect(unknown).rejects.toMatchObject({ code: 'signInWrong' })
    const { hashPassword, isPassword } = await import('../../src/server/people/password')
    // One letter as one character and as two (Unicode Standard Annex 15: U+00E9 is U+0065 U+0301).
    expect(await isPassword('caf\u0065\u0301 on the corner', await hashPassword('caf\u00e9 on the corner'))).toBe(true)
  })

  test('gets slower with each wrong guess of an account, and from an address, and is free again in time', () => {
    const at = Date.parse('2026-03-01T12:00:00Z')
    const guess = (account: string, address: string, now: number): void => {
      guessing.refuseGuessing(account, address, now)
      guessing.noteWrongGuess(account, address, now)
    }
    for (let i = 0; i < 5; i++) guess('slow@quill.example', `198.51.100.${i}`, at)
    expect(() => guess('slow@quill.example', '198.51.100.9', at)).toThrow('Wait 2 seconds')
    expect(() => guess('SLOW@quill.example', '198.51.100.9', at + 1000)).toThrow('Wait a second')
    guess('slow@quill.example', '198.51.100.9', at + 2000)
    expect(() => guess('slow@quill.example', '198.51.100.9', at + 2000)).toThrow('Wait 4 seconds')
    for (let i = 0; i < 20; i++) guess(`one-of-many-${i}@quill.example`, '203.0.113.5', at)
    expect(() => guess('yet-another@quill.example', '203.0.113.5', at)).toThrow('Wait')
    guess('yet-another@quill.example', '203.0.113.6', at)
    // OWASP ASVS 4.0.3, 2.2.1: no more than 100 failed attempts an hour on one account.
    let guesses = 0
    for (let now = at; now < at + 3_600_000; now += 500) {
      try {
        guess('hour@quill.example', `192.0.2.${now % 251}`, now)
        guesses++
      } catch {
        // Too soon.
      }
    }
    expect(guesses).toBeGreaterThan(5)
    expect(guesses).toBeLessThan(100)
    guessing.refuseGuessing('hour@quill.example', '192.0.2.1', at + 86_400_000)
  })

  test('what is kept of a session or a password lets nobody in', async () => {
    const token = await door.signIn(MARA, HERE)
    database.db().pragma('wal_checkpoint(TRUNCATE)')
    const bytes = readdirSync(data)
      .filter((name) => name.includes('.sqlite'))
      .map((name) => readFileSync(path.join(data, name), 'latin1'))
    expect(bytes.join('')).not.toContain(token)
    expect(bytes.join('')).not.toContain(MARA.password)
    expect(people.findPerson(mara.id)?.password).toMatch(/^\$argon2id\$v=19\$m=131072,t=4,p=1\$/)
  })

  test('over https what a browser keeps is for this host alone, never sent in the clear, and hidden from scripts', () => {
    // RFC 6265bis, 4.1.2.5, 4.1.2.6 and 4.1.3.2: `__Host-` asks for Secure, for the path / and for no Domain.
    const ask = (url: string, headers = {}): string[] => [...sessionCookies(new Request(url, { headers }), first)]
    for (const [session = '', word = ''] of [
      ask('https://fit.example/'),
      ask('http://127.0.0.1:4310/', { 'x-forwarded-proto': 'https' }),
    ]) {
      expect(session).toMatch(/^__Host-instant-fit-session=[^;]{40,}; /)
      for (const cookie of [session, word]) {
        expect(cookie).toMatch(/; Path=\/(;|$)/)
        expect(cookie).toMatch(/; Secure(;|$)/)
        expect(cookie).toMatch(/; SameSite=Lax(;|$)/)
        expect(cookie).not.toMatch(/Domain/i)
      }
      expect(session).toMatch(/; HttpOnly(;|$)/)
      expect(word).toMatch(/^__Host-instant-fit-request=/)
      expect(word).not.toContain('HttpOnly')
      expect(word).not.toContain(first)
      expect(sessionIn(new Headers({ cookie: session.split(';')[0] ?? '' }))).toBe(first)
    }
    for (const cookie of ask('http://127.0.0.1:4310/')) expect(cookie).not.toMatch(/Secure|__Host-/)
  })

  test('a session ends when nobody uses it, and at the latest after thirty days', async () => {
    const token = await door.signIn(MARA, HERE)
    const set = (column: 'seen_at' | 'begun_at', days: number): void => {
      const { hash } = database.sql<[], { hash: string }>('SELECT hash FROM session ORDER BY rowid DESC LIMIT 1').get() ?? { hash: '' }
      database.sql(`UPDATE session SET ${column} = ? WHERE hash = ?`).run(new Date(Date.now() - days * 86_400_000).toISOString(), hash)
    }
    set('seen_at', 13)
    expect(sessions.whoseToken(token)?.person.id).toBe(mara.id)
    set('seen_at', 15)
    expect(sessions.whoseToken(token)).toBeNull()
    const other = await door.signIn(MARA, HERE)
    set('begun_at', 31)
    expect(sessions.whoseToken(other)).toBeNull()
    expect(sessions.whoseToken('')).toBeNull()
  })

  test('sessions are listed with their device, ended one by one, or all at once', async () => {
    const [one, two] = [await door.signIn(MARA, HERE), await door.signIn(MARA, { device: null, address: '192.0.2.8' })]
    const { session } = sessions.whoseToken(one) ?? { session: '' }
    const { sessions: lines } = account.accountView(mara, session)
    expect(lines.find(({ isThis }) => isThis)).toMatchObject({ device: 'Firefox on Linux', address: '192.0.2.7' })
    account.endOneSession(mara, lines.find(({ address }) => address === '192.0.2.8')?.id ?? '', HERE)
    expect([sessions.whoseToken(one)?.person.id, sessions.whoseToken(two)]).toEqual([mara.id, null])
    door.signOut(mara, session, true, HERE)
    expect([one, first].map((token) => sessions.whoseToken(token))).toEqual([null, null])
  })
})

describe('one’s own account', () => {
  test('a new password wants the old one, ends every other session and every link, and is the one that holds', async () => {
    const [here, elsewhere] = [await door.signIn(MARA, HERE), await door.signIn(MARA, HERE)]
    const link = passes.makeLink(MARA.email, 'sign-in', 1) ?? ''
    const { session } = sessions.whoseToken(here) ?? { session: '' }
    const change = (password: string, value: string) => account.changeAccount(mara, session, { part: 'password', value, password }, HERE)
    await expect(change('not it, not it', 'a red door by the canal')).rejects.toMatchObject({ code: 'passwordWrong' })
    await expect(change(MARA.password, 'Mara Quill 2026!')).rejects.toThrow('Without your own name')
    await change(MARA.password, 'a red door by the canal')
    expect([sessions.whoseToken(here)?.person.id, sessions.whoseToken(elsewhere)]).toEqual([mara.id, null])
    expect(passes.lookAtPass(link)).toBeNull()
    await expect(door.signIn(MARA, HERE)).rejects.toMatchObject({ code: 'signInWrong' })
    await change('a red door by the canal', MARA.password)
  })

  test('an email is changed with the password, and is nobody else’s', async () => {
    const token = inviting.invite(mara, { email: 'ada@quill.example', role: 'editor' }, HERE) ?? ''
    const ada = whose(await passes.usePass({ token, name: 'Ada Lock', password: 'copper kettle over the moor' }, HERE))
    const change = (value: string, password: string) => account.changeAccount(ada, '', { part: 'email', value, password }, HERE)
    await expect(change('mara@quill.example', 'copper kettle over the moor')).rejects.toMatchObject({ code: 'emailTaken' })
    await expect(change('lock@quill.example', 'wrong')).rejects.toMatchObject({ code: 'passwordWrong' })
    await change('lock@quill.example', 'copper kettle over the moor')
    expect(people.findPerson(ada.id)?.email).toBe('lock@quill.example')
  })
})

describe('others', () => {
  test('are let in by a link once, to what they were invited to and nothing else', async () => {
    const [theirs, other] = [newJob('Theirs'), newJob('Other')]
    const token = inviting.invite(mara, { email: 'sam@ives.example', job: theirs, may: 'read' }, HERE) ?? ''
    expect(passes.lookAtPass(token)).toEqual({ kind: 'invitation', name: '', email: 'sam@ives.example' })
    const given = { token, name: 'Sam Ives', password: 'copper kettle over the moor' }
    const sam = whose(await passes.usePass(given, HERE))
    await expect(passes.usePass({ ...given, name: 'Another' }, HERE)).rejects.toMatchObject({ code: 'passGone' })
    expect([access.mayOnJob(sam, theirs), access.mayOnJob(sam, other), access.mayAtAll(sam)]).toEqual(['read', null, 'read'])
    const { listJobLines } = await import('../../src/server/use-cases/list-jobs')
    expect(listJobLines(sam).map(({ id }) => id)).toEqual([theirs])
    // Somebody known needs no link.
    expect(inviting.invite(mara, { email: 'SAM@ives.example', job: other, may: 'edit' }, HERE)).toBeNull()
    expect(access.mayOnJob(sam, other)).toBe('edit')
    inviting.changeOther(mara, sam.id, { job: theirs, may: null }, HERE)
    expect(access.mayOnJob(sam, theirs)).toBeNull()
    inviting.changeOther(mara, sam.id, { role: 'reader' }, HERE)
    expect(access.mayOnJob({ ...sam, role: 'reader' }, theirs)).toBe('read')
  })

  test('an invitation that is taken back, or old, lets nobody in', async () => {
    const token = inviting.invite(mara, { email: 'late@ives.example', role: 'reader' }, HERE) ?? ''
    const [invitation] = account.accountView(mara, '').people?.invitations ?? []
    inviting.takeInvitationBack(mara, invitation?.id ?? '', HERE)
    await expect(passes.usePass({ token, name: 'Late', password: 'copper kettle over the moor' }, HERE)).rejects.toMatchObject({
      code: 'passGone',
    })
    const old = inviting.invite(mara, { email: 'late@ives.example', role: 'reader' }, HERE) ?? ''
    database.sql('UPDATE pass SET until = ? WHERE used_at IS NULL').run('2020-01-01')
    expect(passes.lookAtPass(old)).toBeNull()
  })

  test('are let go with their sessions, never the last owner, and the log still knows them', async () => {
    const token = inviting.invite(mara, { email: 'go@ives.example', role: 'editor' }, HERE) ?? ''
    const session = await passes.usePass({ token, name: 'Gone Soon', password: 'copper kettle over the moor' }, HERE)
    const gone = whose(session)
    inviting.letGoOf(mara, gone.id, HERE)
    expect(sessions.whoseToken(session)).toBeNull()
    expect(people.namesOfPeople().get(gone.id)).toBe('Gone Soon')
    expect(() => inviting.letGoOf(mara, gone.id, HERE)).toThrow('nobody here by that name')
    expect(() => inviting.letGoOf(mara, mara.id, HERE)).toThrow('Somebody has to be the owner')
    expect(() => inviting.changeOther(mara, mara.id, { role: 'reader' }, HERE)).toThrow('Somebody has to be the owner')
    // The address is free for whoever comes next.
    expect(inviting.invite(mara, { email: 'go@ives.example', role: 'editor' }, HERE)).not.toBeNull()
  })

  test('who cannot sign in is let in by a link from the machine: once as he is, or to a new password', async () => {
    expect(passes.makeLink('nobody@quill.example', 'recovery', 1)).toBeNull()
    const once = passes.makeLink(MARA.email, 'sign-in', 1) ?? ''
    expect(whose(await passes.usePass({ token: once }, HERE)).id).toBe(mara.id)
    await expect(passes.usePass({ token: once }, HERE)).rejects.toMatchObject({ code: 'passGone' })
    const token = passes.makeLink(MARA.email, 'recovery', 0.5) ?? ''
    await expect(passes.usePass({ token, password: 'short' }, HERE)).rejects.toThrow('at least 12')
    expect(whose(await passes.usePass({ token, password: 'a red door by the canal' }, HERE)).id).toBe(mara.id)
    expect(whose(await door.signIn({ email: MARA.email, password: 'a red door by the canal' }, HERE)).id).toBe(mara.id)
  })
})

test('the audit list tells who came in and what changed, and nothing of it can be changed', () => {
  const lines = account.auditPage(Number.MAX_SAFE_INTEGER)
  for (const what of ['password changed', 'invited', 'joined', 'let go', 'link made', 'role changed', 'invitation taken back'])
    expect(lines.map((line) => line.what)).toContain(what)
  expect(lines.find(({ what }) => what === 'joined')).toMatchObject({ address: '192.0.2.7' })
  expect(() => database.sql(`UPDATE audit SET what = 'nothing'`).run()).toThrow('append-only')
  expect(() => database.sql('DELETE FROM audit').run()).toThrow('append-only')
  expect(JSON.stringify(lines)).not.toContain('canal')
})

test('what was done before there were accounts is the first person’s, and the history says who did what since', async () => {
  const log = await import('../../src/server/log/edit-log')
  const { activityOf } = await import('../../src/server/use-cases/activity')
  const { setText } = await import('../site')
  const job = newJob('Who')
  const row = (id: string, text: string) => ({ id, gesture: id, undoes: null, edit: setText('home.hero', 'heading', text) })
  log.appendRows(job, 'a-browser-of-old', 0, [row('old', 'By a browser')])
  log.appendRows(job, mara.id, 1, [row('new', 'By Mara')])
  const { rows } = log.appendRows(job, null, 2, [{ id: 'back', gesture: 'back', undoes: 'new', edit: row('x', 'By a browser').edit }])
  expect(rows.map(({ who }) => who)).toEqual([null])
  const { deeds, isAll } = activityOf(job, Number.MAX_SAFE_INTEGER)
  expect(deeds.map(({ who, deed, where, words }) => [who, deed, where, words])).toEqual([
    ['the start', 'took back: wrote', 'Heading of hero on Home', 'By a browser'],
    ['Mara Quill', 'wrote', 'Heading of hero on Home', 'By Mara'],
    ['Mara Quill', 'wrote', 'Heading of hero on Home', 'By a browser'],
  ])
  expect(isAll).toBe(true)
})
