/** Sets of linear equations. */

/** Solves the equations in place (Gauss–Jordan with pivoting), the right-hand sides last; null where they don't determine an answer. */
export function solved(rows: number[][]): number[] | null {
  const n = rows.length;
  for (let c = 0; c < n; c++) {
    let pivot = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(rows[r]![c]!) > Math.abs(rows[pivot]![c]!)) pivot = r;
    if (Math.abs(rows[pivot]![c]!) < 1e-9) return null;
    [rows[c], rows[pivot]] = [rows[pivot]!, rows[c]!];
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const factor = rows[r]![c]! / rows[c]![c]!;
      if (factor === 0) continue;
      for (let k = c; k <= n; k++) rows[r]![k]! -= factor * rows[c]![k]!;
    }
  }
  return rows.map((row, i) => row[n]! / row[i]!);
}
