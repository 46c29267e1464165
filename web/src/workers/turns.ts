import type { Pieces } from '@ambrel/core'

/** A question beside the run is laid aside after so long, ms: what the strip waits for comes in between. */
const PIECE_MS = 4

/** Who works when on one thread: a run at once, questions in pieces while no run is going on, one after the other. */
export class Turns {
  private runs = 0
  private waiting: (() => void)[] = []
  private last: Promise<unknown> = Promise.resolve()

  /** @param breathe lets what was asked meanwhile in */
  constructor(private readonly breathe: () => Promise<void>) {}

  /** Does a run, of which there may be several; questions wait until the last of them is through. */
  async run<T>(work: () => Promise<T>): Promise<T> {
    this.runs++
    try {
      return await work()
    } finally {
      if (--this.runs === 0) for (const go of this.waiting.splice(0)) go()
    }
  }

  /** Answers a question when those before it are answered: each would make anew what the other keeps. */
  question<T>(answer: () => Promise<T>): Promise<T> {
    const mine = this.last.then(answer)
    this.last = mine.catch(() => {})
    return mine
  }

  /** Works on a part of a question, some milliseconds at a time, while no run is going on. */
  async inPieces<T>(pieces: Pieces<T>): Promise<T> {
    for (;;) {
      await this.breathe()
      while (this.runs > 0) await new Promise<void>((go) => this.waiting.push(go))
      const until = performance.now() + PIECE_MS
      do {
        const piece = pieces.next()
        if (piece.done) return piece.value
      } while (performance.now() < until)
    }
  }
}
