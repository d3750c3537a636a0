import { cleanDrawing } from './clean-svg'
import { readFont, subsetOwn } from './font'
import { printOneColour, readLogo } from './logo'
import { readPack } from './pack'
import { readPicture } from './picture'
import { readPixels } from './pixels'
import { readProject } from './project'

/** Everything that a reader can be asked to do, by name: from the file's name and what is sent to what was found. */
export const TASKS = {
  picture: readPicture,
  logo: readLogo,
  oneColour: printOneColour,
  pixels: readPixels,
  drawing: cleanDrawing,
  font: readFont,
  subset: subsetOwn,
  pack: readPack,
  project: readProject,
} as const

export type TaskName = keyof typeof TASKS
export type TaskInput<T extends TaskName> = Parameters<(typeof TASKS)[T]>[1]
export type TaskOutput<T extends TaskName> = Awaited<ReturnType<(typeof TASKS)[T]>>
