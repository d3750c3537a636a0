import type { CareWords } from './care-word'

export const ENGLISH: CareWords = {
  title: 'Care sheet: {name}',
  intro: 'What your website is made of, where it is, and whom to ask. Keep it together with the files beside it.',
  where: 'Where it is',
  since: 'Live since {day}',
  ask: 'Whom to ask',
  askThem: '{who} made your website. Ask here for new words, another page, other opening hours.',
  set: 'What was set where',
  host: 'Our web host',
  records: 'Records of the domain {domain}, as they were to be set where it was bought',
  certificate: 'The certificate is renewed by itself; today’s ends on {day}.',
  secrets: 'No password and no key is in here. Keep yours where only you can read them.',
  facts: 'What the site says of you',
  tell: 'Tell whoever cares for the site when one of these changes.',
  beside: 'What lies beside this sheet',
  siteFolder: 'The whole website as plain files. They run on any web host: copy what is in this folder into the public folder there.',
  projectFolder: 'What it takes to go on working on it: words, pictures, template and fonts. Instant Fit reads this zip as it is.',
  gone: 'If we are gone',
  goneWords:
    'Nothing happens. Your website needs neither Instant Fit nor whoever made it: it is plain HTML, styles and pictures. ' +
    'With these files any web designer can move it and change it.',
  fonts: 'Fonts',
  licences: 'Their licences are in {file}.',
  made: 'Made on {day}',
}
