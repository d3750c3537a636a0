/** Whether a file's name carries a hash of what is in it, so that whoever has it can keep it for ever. */
export function isHashedName(path: string): boolean {
  return /-[0-9a-f]{8}(?:-[\dx-]{1,40})?\.\w{1,10}$/.test(path)
}
