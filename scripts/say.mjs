/** Plain messages of the scripts, and the one way they stop. */
export const say = (text) => console.log(`ambrel: ${text}`)

/** Exit codes; docs/operations.md lists them. */
export const WRONG_USE = 2
export const MISSING = 3
export const FAILED = 4
export const RUNNING = 5
export const PORT_TAKEN = 6
export const NO_DATABASE = 7

export class Stop extends Error {
  constructor(message, code = FAILED) {
    super(message)
    this.code = code
  }
}

/** What the system says of a file or folder, in words. */
const SYSTEM_WORDS = {
  EACCES: 'it may not be read or written by this user',
  EPERM: 'this user may not change it',
  EROFS: 'it lies on a file system that is read-only',
  ENOSPC: 'the disk is full',
  EDQUOT: 'the disk quota is used up',
  ENOENT: 'it is not there and cannot be made',
  ENOTDIR: 'a file stands where a folder is wanted',
}

/** Runs a script's main function; a {@link Stop} becomes one plain line and its exit code, so does what the system refuses. */
export async function main(run) {
  try {
    await run()
  } catch (error) {
    const words = SYSTEM_WORDS[error.code]
    if (!(error instanceof Stop) && !words) throw error
    console.error(`ambrel: ${error instanceof Stop ? error.message : `${error.path ?? 'a file'}: ${words}`}`)
    process.exit(error instanceof Stop ? error.code : FAILED)
  }
}
