/** Gaussian elimination with partial pivoting on an augmented matrix, changed in place. */
export function solve(rows: Float64Array[]): number[] {
  const n = rows.length
  for (let column = 0; column < n; column++) {
    let pivot = column
    for (let row = column + 1; row < n; row++)
      if (Math.abs(rows[row][column]) > Math.abs(rows[pivot][column])) pivot = row
    ;[rows[column], rows[pivot]] = [rows[pivot], rows[column]]
    for (let row = 0; row < n; row++) {
      if (row === column) continue
      const factor = rows[row][column] / rows[column][column]
      if (factor !== 0) for (let k = column; k <= n; k++) rows[row][k] -= factor * rows[column][k]
    }
  }
  return rows.map((row, i) => row[n] / row[i])
}
