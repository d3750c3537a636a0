import { KEY_MAP, KEY_PLACES, type KeyName, type KeyPlace } from '../keys/key-map'
import { allKeyWords } from '../keys/key-words'
import { HELP } from './help-text'

/** All that `?` says, as one document in Markdown. */
export function usingText(): string {
  const screens = Object.values(HELP).map(({ title, use, example, words, keys }) =>
    [
      `## ${title}`,
      use,
      `For example: ${example}`,
      table(['Word', 'Meaning'], words),
      ...keys.map((place) => `### Keys: ${KEY_PLACES[place]}\n\n${keyTable(place)}`),
    ].join('\n\n'),
  )
  return [
    '# Using Instant Fit',
    'What `?` says on each screen. On Apple’s computers Ctrl is ⌘ and Alt is ⌥.',
    `### Keys: ${KEY_PLACES.job}\n\n${keyTable('job')}`,
    ...screens,
    '',
  ].join('\n\n')
}

function keyTable(at: KeyPlace): string {
  const names = (Object.keys(KEY_MAP) as KeyName[]).filter((name) => KEY_MAP[name].at === at)
  return table(
    ['Key', 'What it does'],
    names.map((name) => [`\`${allKeyWords(name, false)}\``, KEY_MAP[name].does]),
  )
}

function table(head: readonly [string, string], rows: readonly (readonly [string, string])[]): string {
  return [head, ['---', '---'] as const, ...rows].map(([a, b]) => `| ${a} | ${b} |`).join('\n')
}
