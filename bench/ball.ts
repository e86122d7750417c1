import type { Mesh, Part } from '@core';

/** A bumpy ball of rows x columns quads, split into parts by rows. */
export function ball(rows: number, columns: number, parts: number): Mesh {
  const positions = new Float32Array((rows + 1) * (columns + 1) * 3);
  for (let i = 0; i <= rows; i++) {
    for (let j = 0; j <= columns; j++) {
      const a = (Math.PI * i) / rows;
      const b = (2 * Math.PI * j) / columns;
      const r = 1 + 0.05 * Math.sin(9 * a) * Math.cos(11 * b);
      positions.set([r * Math.sin(a) * Math.cos(b), r * Math.sin(a) * Math.sin(b), r * Math.cos(a)], (i * (columns + 1) + j) * 3);
    }
  }
  const indices: number[] = [];
  const list: Part[] = [];
  for (let n = 0; n < parts; n++) {
    const start = indices.length;
    for (let i = Math.floor((rows * n) / parts); i < Math.floor((rows * (n + 1)) / parts); i++) {
      for (let j = 0; j < columns; j++) {
        const c = i * (columns + 1) + j;
        indices.push(c, c + columns + 1, c + 1, c + 1, c + columns + 1, c + columns + 2);
      }
    }
    list.push({ id: `part ${n}`, name: `part ${n}`, start, count: indices.length - start, parent: null });
  }
  return { positions, indices: new Uint32Array(indices), parts: list };
}
