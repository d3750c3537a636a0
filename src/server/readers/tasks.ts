/**
 * Everything that a reader can be asked to do, by name: from the file's name and what is sent to what was found. What a task needs is
 * loaded when it is asked for first, so that a reader of pictures knows nothing of fonts.
 */
export const TASKS = {
  picture: async () => (await import('./picture')).readPicture,
  logo: async () => (await import('./logo')).readLogo,
  oneColour: async () => (await import('./logo')).printOneColour,
  pixels: async () => (await import('./pixels')).readPixels,
  drawing: async () => (await import('./clean-svg')).cleanDrawing,
  font: async () => (await import('./font')).readFont,
  subset: async () => (await import('./font')).subsetOwn,
  pack: async () => (await import('./pack')).readPack,
  packFolder: async () => (await import('./pack')).readPackFolder,
  project: async () => (await import('./project')).readProject,
} as const

export type TaskName = keyof typeof TASKS
type Task<T extends TaskName> = Awaited<ReturnType<(typeof TASKS)[T]>>
export type TaskInput<T extends TaskName> = Parameters<Task<T>>[1]
export type TaskOutput<T extends TaskName> = Awaited<ReturnType<Task<T>>>
