import type { Directive } from 'vue'

/**
 * On a narrow screen a table stands as a stack: a block for each row, each cell under the head of its column. This
 * writes the heads to the cells; the theme does the rest.
 */
function label(table: HTMLTableElement): void {
  const heads: string[] = []
  for (const head of table.tHead?.rows[0]?.cells ?? [])
    for (let i = 0; i < head.colSpan; i++) heads.push(head.querySelector('.unseen') ? '' : head.textContent.trim())
  for (const body of table.tBodies)
    for (const row of body.rows) {
      let column = 0
      for (const cell of row.cells) {
        // what fills the whole row wants no head
        const head = cell.colSpan > 2 ? '' : (heads[column] ?? '')
        if (cell.dataset.head !== head) cell.dataset.head = head
        column += cell.colSpan
      }
    }
}

export const vStack: Directive<HTMLTableElement> = { mounted: label, updated: label }
