import type { LinearRgb } from './linearRgb';
import { BANDS, LINEAR_RGB_FROM_REFLECTANCE as T } from './spectralData';

/** No paint is quite black or quite white: what a colour is clipped to before it gets a spectrum. */
const DARKEST = 0.001;
const LIGHTEST = 0.98;
const SIZE = BANDS + 3;
const CLOSE = 1e-10;
const MOST_ROUNDS = 60;

/**
 * The smoothest reflectance spectrum between 0 and 1 that looks like a colour under D65, in 38 bands from 380 to 750 nm: with
 * reflectance = (tanh z + 1) / 2, the least sum of (z[i + 1] - z[i])^2 subject to the colour, by Newton's method with Lagrange
 * multipliers. S. A. Burns, "Numerical methods for smoothest reflectance reconstruction", Color Research and Application 45 (2020).
 */
export function spectrumOf(colour: LinearRgb): Float64Array {
  const wanted = colour.map((value) => Math.min(LIGHTEST, Math.max(DARKEST, value)));
  const z = new Float64Array(BANDS);
  const multipliers = new Float64Array(3);
  const matrix = new Float64Array(SIZE * SIZE);
  const error = new Float64Array(SIZE);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    linearise(z, multipliers, wanted, matrix, error);
    if (error.every((value) => Math.abs(value) < CLOSE)) break;
    solve(matrix, error);
    for (let band = 0; band < BANDS; band++) z[band]! -= error[band]!;
    for (let row = 0; row < 3; row++) multipliers[row]! -= error[BANDS + row]!;
  }
  return z.map((value) => (Math.tanh(value) + 1) / 2);
}

/** How far each condition of the optimum is from holding at a point, and the derivatives. */
function linearise(z: Float64Array, multipliers: Float64Array, wanted: readonly number[], matrix: Float64Array, error: Float64Array): void {
  matrix.fill(0);
  for (let row = 0; row < 3; row++) error[BANDS + row] = -wanted[row]!;
  for (let band = 0; band < BANDS; band++) {
    const tanh = Math.tanh(z[band]!);
    const slope = (1 - tanh * tanh) / 2;
    let pull = 0;
    for (let row = 0; row < 3; row++) {
      const weight = T[row]![band]!;
      pull += weight * multipliers[row]!;
      matrix[band * SIZE + BANDS + row] = weight * slope;
      matrix[(BANDS + row) * SIZE + band] = weight * slope;
      error[BANDS + row]! += (weight * (tanh + 1)) / 2;
    }
    const diagonal = band * SIZE + band;
    matrix[diagonal] = -2 * slope * tanh * pull;
    error[band] = slope * pull;
    for (const next of [band - 1, band + 1]) {
      if (next < 0 || next >= BANDS) continue;
      matrix[diagonal]! += 2;
      matrix[diagonal + next - band]! -= 2;
      error[band]! += 2 * (z[band]! - z[next]!);
    }
  }
}

/**
 * Gauss with partial pivoting; the right side becomes the solution. Below the pivot only the next band and the three rows of the colour
 * can have a share, wherever pivoting put them: all others are passed over.
 */
function solve(matrix: Float64Array, right: Float64Array): void {
  for (let column = 0; column < SIZE; column++) {
    let best = column;
    for (let row = column + 1; row < SIZE; row++)
      if (Math.abs(matrix[row * SIZE + column]!) > Math.abs(matrix[best * SIZE + column]!)) best = row;
    if (best !== column) swapRows(matrix, right, column, best);
    const pivot = column * SIZE;
    for (let row = column + 1; row < SIZE; row++) {
      const lower = row * SIZE;
      if (matrix[lower + column] === 0) continue;
      const factor = matrix[lower + column]! / matrix[pivot + column]!;
      for (let at = column; at < SIZE; at++) matrix[lower + at]! -= factor * matrix[pivot + at]!;
      right[row]! -= factor * right[column]!;
    }
  }
  for (let row = SIZE - 1; row >= 0; row--) {
    let sum = right[row]!;
    for (let at = row + 1; at < SIZE; at++) sum -= matrix[row * SIZE + at]! * right[at]!;
    right[row] = sum / matrix[row * SIZE + row]!;
  }
}

function swapRows(matrix: Float64Array, right: Float64Array, one: number, other: number): void {
  for (let at = 0; at < SIZE; at++) {
    const kept = matrix[one * SIZE + at]!;
    matrix[one * SIZE + at] = matrix[other * SIZE + at]!;
    matrix[other * SIZE + at] = kept;
  }
  const kept = right[one]!;
  right[one] = right[other]!;
  right[other] = kept;
}
