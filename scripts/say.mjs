/** Plain messages of the scripts, and the one way they stop. */
export const say = (text) => console.log(`ambrel: ${text}`)

/** Exit codes: 2 wrong use, 3 something is missing that cannot be installed here, 4 a step failed. */
export const MISSING = 3
export const FAILED = 4

export class Stop extends Error {
  constructor(message, code = FAILED) {
    super(message)
    this.code = code
  }
}

/** Runs a script's main function; a {@link Stop} becomes one plain line and its exit code. */
export async function main(run) {
  try {
    await run()
  } catch (error) {
    if (!(error instanceof Stop)) throw error
    console.error(`ambrel: ${error.message}`)
    process.exit(error.code)
  }
}
