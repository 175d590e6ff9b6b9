// The cheapest way to pair rows with columns: an assignment problem, solved exactly by shortest augmenting paths (after Jonker and Volgenant).

/**
 * For each row the column it is paired with, so that the sum of costs is as small as can be; square, costs row by row. Finite costs only.
 * Takes the cube of the size at worst.
 */
export function assign(size: number, cost: Float64Array): Int32Array {
  const rowOf = new Int32Array(size).fill(-1);
  const columnOf = new Int32Array(size).fill(-1);
  const price = new Float64Array(size);
  const slack = new Float64Array(size);
  const from = new Int32Array(size);
  const done = new Uint8Array(size);
  // Each column's least cost is its price; its row takes it, if no other column has that row.
  for (let j = size - 1; j >= 0; j--) {
    let [least, best] = [Number.POSITIVE_INFINITY, 0];
    for (let i = 0; i < size; i++) {
      const one = cost[i * size + j] ?? 0;
      if (one < least) [least, best] = [one, i];
    }
    price[j] = least;
    if (columnOf[best] === -1) {
      columnOf[best] = j;
      rowOf[j] = best;
    }
  }
  for (let row = 0; row < size; row++) {
    if (columnOf[row] !== -1) continue;
    done.fill(0);
    for (let j = 0; j < size; j++) {
      slack[j] = (cost[row * size + j] ?? 0) - (price[j] ?? 0);
      from[j] = row;
    }
    let end = -1;
    let reach = 0;
    const scanned: number[] = [];
    while (end === -1) {
      let [least, next] = [Number.POSITIVE_INFINITY, -1];
      for (let j = 0; j < size; j++) {
        if (done[j]) continue;
        const one = slack[j] ?? 0;
        // Of columns that are as near the path ends at one that is free.
        if (one < least || (one === least && rowOf[j] === -1 && rowOf[next] !== -1)) {
          least = one;
          next = j;
        }
      }
      reach = least;
      done[next] = 1;
      const holder = rowOf[next] ?? -1;
      if (holder === -1) {
        end = next;
        break;
      }
      scanned.push(next);
      const base = (cost[holder * size + next] ?? 0) - (price[next] ?? 0) - reach;
      for (let j = 0; j < size; j++) {
        if (done[j]) continue;
        const less = (cost[holder * size + j] ?? 0) - (price[j] ?? 0) - base;
        if (less < (slack[j] ?? 0)) {
          slack[j] = less;
          from[j] = holder;
        }
      }
    }
    for (const j of scanned) price[j] = (price[j] ?? 0) + (slack[j] ?? 0) - reach;
    // Back along the path: each row takes the column that the one behind it gives up.
    for (let j = end; ; ) {
      const i = from[j] ?? -1;
      rowOf[j] = i;
      const before = columnOf[i] ?? -1;
      columnOf[i] = j;
      if (i === row) break;
      j = before;
    }
  }
  return columnOf;
}
