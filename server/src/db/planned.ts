import type { Database } from './database.ts'

/**
 * A statement that is asked often: made once a database, and planned once a connection by its name there.
 *
 * @param prepare makes it; values that differ are placeholders
 */
export function planned<T>(prepare: (db: Database) => T): (db: Database) => T {
  const made = new WeakMap<Database, T>()
  return (db) => {
    let statement = made.get(db)
    if (statement === undefined) made.set(db, (statement = prepare(db)))
    return statement
  }
}
