/** Something wrong in a pack: which file, which line (1 for the first; 0 for the file as a whole), and what to do. */
export type PackFault = { readonly file: string; readonly line: number; readonly fault: string }

/** Thrown when a pack that must be right is not; carries every fault found. */
export class PackError extends Error {
  constructor(readonly faults: readonly PackFault[]) {
    super(faults.map((f) => `${f.file}:${f.line}: ${f.fault}`).join('\n'))
    this.name = 'PackError'
  }
}
