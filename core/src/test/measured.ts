import type { Measure } from '../draw/drawn.ts'

/** Letters of one width, half as wide as they are high: what is laid out with them is easy to foretell. */
export const measured: Measure = (text, { size }) => [...text].length * size * 0.5
