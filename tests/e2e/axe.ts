import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Frame, Page } from '@playwright/test'

/** axe-core itself, run in the page: a builder around it opens another window for each run, and takes three times as long. */
const SOURCE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

type Result = { readonly id: string; readonly nodes: readonly { readonly target: readonly string[]; readonly failureSummary?: string }[] }
type Axe = { run: (on: unknown, options: unknown) => Promise<{ violations: Result[]; passes: Result[] }> }
type Judged = { readonly faults: string[]; readonly judged: number }
type Options = {
  /** Rules to be asked alone, or not at all. */
  readonly only?: readonly string[]
  readonly without?: readonly string[]
}

/** What axe finds against a page, a line each; frames are left out: what they show is checked by itself. */
export async function axeFaults(page: Page | Frame, options: Options = {}): Promise<string[]> {
  return (await runAxe(page, options, ['violations'])).faults
}

/** The same, with how many elements were judged and found right. */
export function askAxe(page: Page | Frame, options: Options = {}): Promise<Judged> {
  return runAxe(page, options, ['violations', 'passes'])
}

/** Elements that were found right are gathered where they are asked for alone: naming each takes longer than judging it. */
async function runAxe(page: Page | Frame, { only, without }: Options, resultTypes: readonly string[]): Promise<Judged> {
  if (!(await page.evaluate(`"axe" in window`))) await page.evaluate(SOURCE)
  return page.evaluate(
    async ({ only, without, resultTypes }) => {
      const rules = Object.fromEntries((without ?? []).map((rule) => [rule, { enabled: false }]))
      const { violations, passes } = await (window as unknown as { axe: Axe }).axe.run(
        { exclude: [['iframe']] },
        { ...(only ? { runOnly: only } : {}), rules, iframes: false, preload: false, resultTypes },
      )
      return {
        faults: violations.flatMap((v) => v.nodes.map((n) => `${v.id} ${n.target.join(' ')} ${n.failureSummary ?? ''}`)),
        judged: passes.find(({ id }) => id === 'color-contrast')?.nodes.length ?? 0,
      }
    },
    { only, without, resultTypes },
  )
}
