import { lookByPhone } from '../phone'
import { publishTemplates } from '../published-templates'
import { line, median } from './report'

/** Each template's home page on Lighthouse's simulated phone, by HTTPS on our host: the median of three. */
export async function benchPhone(): Promise<void> {
  const { sites, port, stop } = await publishTemplates(['tallow', 'limewash', 'windrow', 'gantry', 'blank'])
  try {
    for (const { template, origin } of sites) {
      const found = [await lookByPhone(`${origin}/`, port), await lookByPhone(`${origin}/`, port), await lookByPhone(`${origin}/`, port)]
      const scores = Object.keys(found[0]?.scores ?? {}).map((name) => median(found.map(({ scores: all }) => all[name] ?? 0)))
      const [first, largest, bytes] = [
        found.map((one) => one.firstMs),
        found.map((one) => one.largestMs),
        found.map((one) => one.bytes),
      ].map(median)
      line(
        `${template} on a phone: first and largest paint, ${((bytes ?? 0) / 1000).toFixed(0)} kB`,
        `${first} and ${largest} ms, ${scores.join(', ')}`,
        '1,300 ms, four times 100',
      )
    }
  } finally {
    await stop()
  }
}
