/**
 * Symmetric positive definite systems in typed arrays, row by row (Golub and Van Loan, Matrix Computations, 4th ed., section 4.2).
 * A fit solves dozens of them, so they are written out.
 */

/** Lower triangle L with L Lᵀ = `matrix` (n x n, row-major); null where the matrix is not positive definite. */
export function triangleOf(matrix: Float64Array, n: number): Float64Array | null {
  const lower = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= lower[i * n + k]! * lower[j * n + k]!;
      if (i !== j) lower[i * n + j] = sum / lower[j * n + j]!;
      else if (sum > 0) lower[i * n + i] = Math.sqrt(sum);
      else return null;
    }
  }
  return lower;
}

/** As `triangleOf`, of a matrix that is positive definite by how it was made. Throws where it is not. */
export function cholesky(matrix: Float64Array, n: number): Float64Array {
  const lower = triangleOf(matrix, n);
  if (lower === null) throw new Error('cholesky: the matrix is not positive definite');
  return lower;
}

/** What the matrix whose lower triangle this is takes to `right`. */
export function solved(lower: Float64Array, right: readonly number[]): Float64Array {
  const n = right.length;
  const result = Float64Array.from(right);
  for (let row = 0; row < n; row++) {
    for (let k = 0; k < row; k++) result[row]! -= lower[row * n + k]! * result[k]!;
    result[row]! /= lower[row * n + row]!;
  }
  for (let row = n - 1; row >= 0; row--) {
    for (let k = row + 1; k < n; k++) result[row]! -= lower[k * n + row]! * result[k]!;
    result[row]! /= lower[row * n + row]!;
  }
  return result;
}

/** Inverse of the matrix whose lower triangle this is. */
export function inverseOf(lower: Float64Array, n: number): Float64Array {
  // The inverse of the triangle first, then its transpose times itself.
  const triangle = new Float64Array(n * n);
  for (let column = 0; column < n; column++) {
    triangle[column * n + column] = 1 / lower[column * n + column]!;
    for (let row = column + 1; row < n; row++) {
      let sum = 0;
      for (let k = column; k < row; k++) sum -= lower[row * n + k]! * triangle[k * n + column]!;
      triangle[row * n + column] = sum / lower[row * n + row]!;
    }
  }
  const inverse = new Float64Array(n * n);
  for (let k = 0; k < n; k++) {
    for (let i = 0; i <= k; i++) {
      const factor = triangle[k * n + i]!;
      if (factor === 0) continue;
      for (let j = 0; j <= i; j++) inverse[i * n + j]! += factor * triangle[k * n + j]!;
    }
  }
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) inverse[j * n + i] = inverse[i * n + j]!;
  return inverse;
}

export function times(matrix: Float64Array, vector: Float64Array): Float64Array {
  const n = vector.length;
  const product = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let j = 0; j < n; j++) sum += matrix[i * n + j]! * vector[j]!;
    product[i] = sum;
  }
  return product;
}

/** A vector times a symmetric matrix times the same vector: from the lower triangle (n x n, row-major) that begins at `at`, and the vector at `from`. */
export function quadraticForm(lower: Float64Array, at: number, n: number, vector: Float64Array, from = 0): number {
  let form = 0;
  for (let i = 0; i < n; i++) {
    const line = at + i * n;
    let sum = 0;
    for (let j = 0; j < i; j++) sum += lower[line + j]! * vector[from + j]!;
    const own = vector[from + i]!;
    form += own * (2 * sum + lower[line + i]! * own);
  }
  return form;
}
