/** Work that can be laid aside between any two of its pieces, of some milliseconds each, and ends with its answer. */
export type Pieces<T> = Generator<void, T>

/** Does all pieces of a work on end. */
export function atOnce<T>(pieces: Pieces<T>): T {
  for (;;) {
    const piece = pieces.next()
    if (piece.done) return piece.value
  }
}
