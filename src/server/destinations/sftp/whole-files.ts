import type { SFTPWrapper } from 'ssh2'

/** The most that every server takes in one packet, in bytes, and how many of them are on their way at a time. */
const PACKET = 32_768
const AT_ONCE = 32

/** Writes a file whole; many packets are on their way at a time, so that a long line does not make it slow. */
export async function writeAll(sftp: SFTPWrapper, path: string, content: Buffer, alive: () => void): Promise<void> {
  const handle = await opened(sftp, path, 'w')
  try {
    await inParts(content.length, (from, length) =>
      called<void>((done) => sftp.write(handle, content, from, length, from, (error) => done(error, undefined))).then(alive),
    )
  } finally {
    await closed(sftp, handle)
  }
}

/** Reads a file whole. */
export async function readAll(sftp: SFTPWrapper, path: string, alive: () => void): Promise<Buffer> {
  const handle = await opened(sftp, path, 'r')
  try {
    const { size } = await called<{ size: number }>((done) => sftp.fstat(handle, done))
    const content = Buffer.alloc(size)
    await inParts(size, (from, length) =>
      called<void>((done) => sftp.read(handle, content, from, length, from, (error) => done(error, undefined))).then(alive),
    )
    return content
  } finally {
    await closed(sftp, handle)
  }
}

/** Does something with each part of so many bytes, many at a time; after the first that fails no other is begun. */
async function inParts(bytes: number, act: (from: number, length: number) => Promise<void>): Promise<void> {
  let next = 0
  const hand = async (): Promise<void> => {
    while (next < bytes) {
      const from = next
      next += PACKET
      await act(from, Math.min(PACKET, bytes - from)).catch((error: unknown) => {
        next = bytes
        throw error
      })
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, hand))
}

function opened(sftp: SFTPWrapper, path: string, mode: 'r' | 'w'): Promise<Buffer> {
  return called((done) => sftp.open(path, mode, done))
}

/** Lets go of a handle; where the line broke it is let go already. */
export async function closed(sftp: SFTPWrapper, handle: Buffer): Promise<void> {
  await called<void>((done) => sftp.close(handle, (error) => done(error, undefined))).catch(() => undefined)
}

/** Asks once. */
export function called<T>(work: (done: (error: Error | null | undefined, result: T) => void) => void): Promise<T> {
  return new Promise((resolve, reject) => work((error, result) => (error ? reject(error) : resolve(result))))
}
