/** Codes of PostgreSQL by which it says that it cannot at the moment: connections, shutdown, limits, a full disk, I/O. */
const AWAY_CODES = /^(08...|57P0[1-5]|57014|53...|58...|25006)$/
const AWAY_CALLS = /^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|ENOTFOUND|EAI_AGAIN|EHOSTUNREACH|ENETUNREACH)$/
const AWAY_WORDS =
  /connection terminated|timeout exceeded when trying to connect|query read timeout|client has encountered a connection error|not queryable|cannot use a pool after/i
/** Nothing was sent yet when these happened. */
const BEFORE_ANYTHING = /timeout exceeded when trying to connect|ECONNREFUSED|ENOTFOUND|57P03|53300/i

interface DatabaseError extends Error {
  code?: string
}

/** The error of the database itself within what a query builder made of it. */
export function causeOf(error: unknown): DatabaseError {
  let inner = error as DatabaseError
  while (inner?.cause instanceof Error) inner = inner.cause
  return inner
}

/**
 * Whether an error means that the database cannot at the moment, and may be asked again.
 * @returns whether it is known that nothing was done; null where it is another kind of error
 */
export function databaseAway(error: unknown): { untouched: boolean } | null {
  const { code = '', message = '' } = causeOf(error) ?? {}
  if (!AWAY_CODES.test(code) && !AWAY_CALLS.test(code) && !AWAY_WORDS.test(message)) return null
  return { untouched: BEFORE_ANYTHING.test(`${code} ${message}`) }
}

/** What a log may hold of an error: its kind and words, never the values of a query, which are somebody's document. */
export function withoutValues(error: unknown): { type: string; code?: string; message: string; stack?: string } {
  const cause = causeOf(error)
  const inQuery = cause !== error
  return {
    type: cause?.name ?? typeof error,
    ...(cause?.code ? { code: cause.code } : {}),
    message: String(cause?.message ?? error).slice(0, 300),
    ...(inQuery ? {} : { stack: cause?.stack }),
  }
}
