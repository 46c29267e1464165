/**
 * Parts of a document that a question is about. Whoever answers gets these and nothing else, typed as such, so that an
 * answer kept under {@link keyOf} its question cannot rest on anything the key does not hold.
 */
export function pick<T extends object, K extends keyof T>(whole: T, ...keys: K[]): Pick<T, K> {
  return Object.fromEntries(keys.map((key) => [key, whole[key]])) as Pick<T, K>
}

/** What an answer is kept under: the question itself, in full. */
export const keyOf = (question: unknown): string => JSON.stringify(question)
