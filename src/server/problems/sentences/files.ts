import type { Details, Sentences } from './details'

/** Files that are sent: pictures, fonts, papers, packs and handovers. */
export const FILES = {
  packWrong: {
    status: 422,
    sentence: (d: Details<'name' | 'count'>) =>
      `“${d.name}” was not imported: ${d.count} ${d.count === 1 ? 'fault' : 'faults'} found. Nothing of it was kept.`,
  },
  packDamaged: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) => `“${d.name}” cannot be opened: ${d.fault}. Pack it again as a plain zip.`,
  },
  packTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” is too large: ${d.fault}. Leave out what no page shows and make its pictures smaller.`,
  },
  projectWrong: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” cannot be imported: ${d.fault}. Nothing was changed here. Make the handover again where the job is.`,
  },
  projectTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'size' | 'limit'>) =>
      `“${d.name}” is ${d.size} MB; handovers up to ${d.limit} MB can be imported. Make it without its history, or with fewer pictures.`,
  },
  tooHeavy: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” cannot be read: ${d.fault}. Nothing of it was kept. Export it again in a simpler form, or ask for another.`,
  },
  tooBusy: { status: 503, sentence: () => 'Many files are being read just now. Nothing of this one was kept; send it again in a minute.' },
  fileEmpty: {
    status: 422,
    sentence: (d: Details<'name'>) => `“${d.name}” is empty. Choose the file again, or ask the client to send it again.`,
  },
  pdfTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'size' | 'limit'>) =>
      `“${d.name}” is ${d.size} MB; files up to ${d.limit} MB fit. Save it for the web, with smaller pictures, and choose it again.`,
  },
  pdfWrong: {
    status: 422,
    sentence: (d: Details<'name'>) => `“${d.name}” is no PDF, or only a part of one. Save it as a PDF and choose it again.`,
  },
  fileTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'size' | 'limit'>) =>
      `“${d.name}” is ${d.size} MB; pictures up to ${d.limit} MB fit. Save it as a JPEG about 4000 pixels wide and choose it again.`,
  },
  fileType: {
    status: 415,
    sentence: (d: Details<'name' | 'found' | 'advice'>) =>
      `“${d.name}” is ${d.found}, which is not a picture for the web. Choose a JPEG, PNG, WebP, AVIF, GIF or SVG. ${d.advice}`,
  },
  fileDamaged: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” is damaged: ${d.fault}. Ask for the file again; it may have been cut short on its way.`,
  },
  pictureTooManyPixels: {
    status: 422,
    sentence: (d: Details<'name' | 'width' | 'height' | 'limit'>) =>
      `“${d.name}” claims ${d.width} × ${d.height} pixels; up to ${d.limit} million in all can be opened. Save it ` +
      'smaller and choose it again.',
  },
  pictureLost: {
    status: 500,
    sentence: (d: Details<'name'>) =>
      `The file of the picture “${d.name}” is damaged on this computer’s disk. Choose the file again to repair it everywhere.`,
  },
  drawingUnsafe: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” is an SVG that cannot be used: ${d.fault}. Export it again as plain SVG, or as PNG.`,
  },
  fontTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'size' | 'limit'>) =>
      `“${d.name}” is ${d.size} MB; font files up to ${d.limit} MB fit. Ask for a version with only the scripts that the site needs.`,
  },
  fontWrong: { status: 422, sentence: (d: Details<'name' | 'fault'>) => `“${d.name}” cannot be used: ${d.fault}.` },
  fontForbidden: { status: 422, sentence: (d: Details<'name' | 'advice'>) => `“${d.name}” may not be put on a website. ${d.advice}` },
  fontLost: {
    status: 500,
    sentence: (d: Details<'name'>) =>
      `The font file ${d.name} is damaged on this computer’s disk. Choose it again under Brand to repair it everywhere.`,
  },
  logoNotTransparent: {
    status: 422,
    sentence: (d: Details<'name'>) =>
      `“${d.name}” has no transparent ground, so in one colour it would be a flat box. Ask for a PNG with a transparent ground, or an SVG.`,
  },
  logoMerges: {
    status: 422,
    sentence: (d: Details<'name'>) =>
      `“${d.name}” tells its shapes apart by several colours, so in one colour they would run together. ` +
      'Ask the client for a one-colour version.',
  },
} as const satisfies Sentences
