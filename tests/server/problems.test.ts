import { expect, test } from 'vitest'
import { Problem, PROBLEMS, toProblem, type ProblemCode } from '../../src/server/problems'
import { problemResponse, readBody, refuseForeign } from '../../src/server/http'
import * as v from 'valibot'

const DETAILS = { name: 'logo.png', size: 60, limit: 40, found: 'a PDF file', advice: 'Export it.', fault: 'the reason', width: 9, height: 9, base: 3, revision: 2, place: 'heading', design: 'hero/x', count: 2 }

test.each(Object.keys(PROBLEMS) as ProblemCode[])('the problem %s has a status and a whole sentence', async (code) => {
  const response = problemResponse(new Problem(code, DETAILS))
  expect(response.status).toBeGreaterThanOrEqual(400)
  const { problem } = (await response.json()) as { problem: { code: string; sentence: string } }
  expect(problem.code).toBe(code)
  expect(problem.sentence).not.toMatch(/undefined|\[object/)
  expect(problem.sentence.length).toBeGreaterThan(8)
})

test('a full disk is told as one, whoever met it; anything else tells nothing of the inside', () => {
  expect(toProblem(Object.assign(new Error('x'), { code: 'ENOSPC' })).code).toBe('diskFull')
  expect(toProblem(Object.assign(new Error('x'), { code: 'SQLITE_FULL' })).code).toBe('diskFull')
  expect(toProblem(new Error('secret path')).message).not.toContain('secret')
})

test('a body that is not JSON, or not what was asked for, is refused with the place', async () => {
  const ask = (body: string): Promise<unknown> => readBody(new Request('http://a/', { method: 'POST', body }), v.strictObject({ name: v.string() }))
  await expect(ask('{')).rejects.toThrow('it is not JSON')
  await expect(ask('{"name":3}')).rejects.toThrow(/name: /)
  expect(await ask('{"name":"x"}')).toEqual({ name: 'x' })
})

test('a change that another site’s page asks for is refused', () => {
  const from = (site: string): Request => new Request('http://a/', { method: 'POST', headers: { 'sec-fetch-site': site } })
  expect(() => refuseForeign(from('cross-site'))).toThrow('another site')
  expect(() => refuseForeign(from('same-origin'))).not.toThrow()
})
