import type { Directive } from 'vue'

/** Under which heads the cells of a row were labelled, so that an edit of a long table labels nothing anew. */
const labelled = new WeakMap<HTMLTableRowElement, string>()

/**
 * On a narrow screen a table stands as a stack: a block for each row, each cell under the head of its column. This
 * writes the heads to the cells; the theme does the rest.
 */
function label(table: HTMLTableElement): void {
  const heads: string[] = []
  for (const head of table.tHead?.rows[0]?.cells ?? [])
    for (let i = 0; i < head.colSpan; i++) heads.push(head.querySelector('.unseen') ? '' : head.textContent.trim())
  const all = heads.join('\n')
  for (const body of table.tBodies)
    for (const row of body.rows) {
      const as = `${row.cells.length}\n${all}`
      if (labelled.get(row) === as) continue
      labelled.set(row, as)
      let column = 0
      for (const cell of row.cells) {
        // what fills the whole row wants no head
        cell.dataset.head = cell.colSpan > 2 ? '' : (heads[column] ?? '')
        column += cell.colSpan
      }
    }
}

export const vStack: Directive<HTMLTableElement> = { mounted: label, updated: label }
