/** A day as the shelf writes it. @param iso a time of the server */
export const dayOf = (iso: string): string =>
  new Date(iso).toLocaleDateString([], { day: 'numeric', month: 'short', year: 'numeric' })
