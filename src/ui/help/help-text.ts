import { own } from '@/core/own'
import type { KeyPlace } from '../keys/key-map'

export type HelpText = {
  readonly title: string
  /** What the screen is for. */
  readonly use: string
  /** The same, of one of the demo's clients. */
  readonly example: string
  /** The words that the screen uses, each with what it means. */
  readonly words: readonly (readonly [word: string, meaning: string])[]
  readonly keys: readonly KeyPlace[]
}

/** What `?` says on each screen; docs/using.md is the same text. */
export const HELP = {
  jobs: {
    title: 'Jobs',
    use:
      'All clients you make sites for. A row shows the home page as it is now, the stage the job is in, how many places still show the ' +
      'template’s content, and what is live.',
    example:
      'Tolliver & Wren is live: its row has the address. That of Saltmarsh Physiotherapy says how many places are still the template’s.',
    words: [
      ['job', 'One client’s site: brief, brand, content, pages and releases.'],
      ['archive', 'Where a finished job goes. It keeps everything, and its site stays live.'],
      ['bin', 'Where a deleted job waits before it is deleted for good. Restore brings it back.'],
      ['handover', 'One zip with the whole job. Import handover makes it a job again, here or elsewhere.'],
    ],
    keys: ['jobs'],
  },
  brief: {
    title: 'Brief',
    use:
      'What you know of the client: name, trade, telephone, email, address, hours, logo and colours. Each is kept once and shown ' +
      'wherever a page uses it.',
    example: 'Saltmarsh Physiotherapy gets a new telephone number: it is typed here once, and every page, button and footer follows.',
    words: [
      ['fact', 'A detail of the client that is kept once, such as the telephone number.'],
      ['tagline', 'The line that says in a few words what the client does.'],
      ['draft', 'Words made for the client from the phrases of the trade, until you confirm them.'],
    ],
    keys: [],
  },
  template: {
    title: 'Template',
    use:
      'Every template, live, with this client’s name, logo and colours. Nothing changes until you put one on, and Undo takes it off ' +
      'again.',
    example: 'Ferncombe Nursery sees Windrow first, because it is made for plant nurseries and shows the months of the year.',
    words: [
      ['template', 'A ready-made site: pages, section designs, words and pictures to start from.'],
      ['try-on', 'A template, page or section shown with this client’s content before you choose it.'],
      ['put on', 'To give the site another template. The client’s words and pictures stay.'],
      ['scheme', 'A set of colours that a template comes in; the client’s own colours go into it.'],
      ['template pack', 'A template as plain files, to take to another Instant Fit or to write by hand.'],
    ],
    keys: ['template'],
  },
  brand: {
    title: 'Brand',
    use:
      'The client’s logo, colours and typefaces. Everything else is computed from them: the colour of each text is chosen for what it ' +
      'is on, so that it can always be read (WCAG AA).',
    example: 'Tarrow Electrical gave two codes, a green and a yellow: every button, link and ground is made of them, in light and in dark.',
    words: [
      ['tone', 'What a section is on: paper, tint, accent, ink or a picture.'],
      ['finish', 'How a template is cut: corners, shadows, rules and space.'],
      ['tokens', 'The colours, sizes and faces as values with names, for other programs.'],
      ['vision', 'The sheets as people with other colour vision see them.'],
    ],
    keys: ['brand'],
  },
  content: {
    title: 'Content',
    use:
      'The page on three widths above, its places in reading order below. Click a word on any sheet and type, or type in the ledger: ' +
      'both follow each other. A dashed line marks what is still the template’s.',
    example: 'At Saltmarsh Physiotherapy F8 goes from one leftover to the next, until the number at Content is gone.',
    words: [
      ['sheet', 'The page drawn live at one width. What a sheet shows is what is published.'],
      ['ledger', 'The table of places: the template’s words beside the client’s.'],
      ['place', 'A spot for content: a heading, a text, a picture, a button, a fact.'],
      ['leftover', 'A place that still shows the template’s content.'],
      ['keep', 'To make the template’s words the client’s as they are.'],
      ['not needed', 'Nothing is shown there, and the place counts as done.'],
      ['lines used/designed', 'How many lines the words take at each width, and how many the design was made for; ▲ where there are more.'],
      ['to check', 'Words that may not be the client’s after all, such as a copied sentence or a made-up number.'],
    ],
    keys: ['content', 'row', 'words'],
  },
  pages: {
    title: 'Pages',
    use:
      'The pages of the site as one table, with name, address and description; below, the page in hand with its sections in order. The ' +
      'menu of the site is this table.',
    example: 'At Tolliver & Wren, Alt and → on “Lately mended” put it under “What it costs”. Its address and the menu follow.',
    words: [
      ['section', 'One horizontal part of a page. It has a kind (what it says) and a design (how it looks).'],
      ['alter', 'To change the space, heading, columns or frame of one section, within what its design can do.'],
      ['kept section', 'A section kept with its content, to be added in any job.'],
      ['shared section', 'One section on several pages: changed once, changed on all.'],
      ['menu link', 'A link in the menu that is not a page: a part of a page, another site, a file.'],
      ['redirect', 'An old address that leads to a page of now.'],
      ['anchor', 'The name after # by which a link finds a section.'],
    ],
    keys: ['pages', 'sections'],
  },
  publish: {
    title: 'Publish',
    use:
      'Three steps from left to right: where the site goes, what will change there, and what went live. Visitors see nothing before you ' +
      'press Publish, and any release can be made live again.',
    example:
      'Release 1 of Tolliver & Wren was for Ms Wren to look at, release 2 is with her corrections. Make live… brings either one back.',
    words: [
      ['address', 'Where visitors find the site.'],
      ['destination', 'Where its files go: our web host, a server of the client’s, a store, a folder or a zip.'],
      ['release', 'One state of the site as it went live. It is kept.'],
      ['handover', 'One zip for whoever keeps the site: a care sheet, the site and the job.'],
    ],
    keys: [],
  },
  history: {
    title: 'History',
    use: 'Everything that was done to this job, newest first. Look at the site as it was, and restore all of it, one page or one place.',
    example: 'What was typed for Saltmarsh Physiotherapy is listed line by line; Restore brings one heading back and leaves the rest.',
    words: [
      ['version', 'The site as it was after something was done.'],
      ['restore', 'To bring back what was. Nothing that was done since is lost: it stays in the history.'],
    ],
    keys: [],
  },
} as const satisfies Record<string, HelpText>

export function helpOf(screen: string): HelpText | null {
  return own<HelpText>(HELP, screen) ?? null
}
