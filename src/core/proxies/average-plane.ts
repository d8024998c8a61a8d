/** Samples of one plane of a picture: luma or one of the chroma planes. */
export interface Plane {
  readonly samples: Uint8Array | Uint16Array;
  /** Samples from the start of one row to the next. */
  readonly stride: number;
  readonly width: number;
  readonly height: number;
}

/** For each place of the smaller side: where the samples that it covers begin, and how much each of them counts. */
interface Weights {
  readonly first: Int32Array;
  /** As many shares for each place; those beyond what it covers are 0. */
  readonly shares: Float32Array;
  readonly shareCount: number;
}

const known = new Map<string, Weights>();

/** Plain arrays of numbers: this runs over every sample of every frame. A few sizes recur, and are worked out once. */
function weightsOf(from: number, to: number): Weights {
  const key = `${from}:${to}`;
  const before = known.get(key);
  if (before) return before;
  const step = from / to;
  const shareCount = Math.min(from, Math.ceil(step - 1e-9) + (Number.isInteger(step) ? 0 : 1));
  const weights = { first: new Int32Array(to), shares: new Float32Array(to * shareCount), shareCount };
  for (let i = 0; i < to; i++) {
    const [start, end] = [i * step, Math.min(from, (i + 1) * step)];
    // The last places look back, so that none looks beyond the end.
    const first = Math.min(from - shareCount, Math.floor(start + 1e-9));
    weights.first[i] = first;
    for (let k = 0; k < shareCount; k++) {
      const at = first + k;
      weights.shares[i * shareCount + k] = Math.max(0, Math.min(end, at + 1) - Math.max(start, at)) / (end - start);
    }
  }
  if (known.size >= 16) known.clear();
  known.set(key, weights);
  return weights;
}

/**
 * A plane with fewer samples, each the average of the area that it covers. Throws where it would have more.
 *
 * @returns Row by row, `width` × `height` values in the units of the samples. O(samples).
 */
export function averagePlane(plane: Plane, width: number, height: number): Float32Array {
  if (width > plane.width || height > plane.height || width < 1 || height < 1)
    throw new Error(`averagePlane: ${plane.width}×${plane.height} to ${width}×${height}`);
  const columns = weightsOf(plane.width, width);
  const rows = weightsOf(plane.height, height);
  const { samples, stride } = plane;
  const result = new Float32Array(width * height);
  const row = new Float32Array(plane.width);
  for (let y = 0; y < height; y++) {
    row.fill(0);
    for (let k = 0; k < rows.shareCount; k++) {
      const share = rows.shares[y * rows.shareCount + k] as number;
      if (share === 0) continue;
      const offset = ((rows.first[y] as number) + k) * stride;
      for (let x = 0; x < row.length; x++) row[x] = (row[x] as number) + share * (samples[offset + x] as number);
    }
    for (let x = 0; x < width; x++) {
      const first = columns.first[x] as number;
      let sum = 0;
      for (let k = 0; k < columns.shareCount; k++)
        sum += (columns.shares[x * columns.shareCount + k] as number) * (row[first + k] as number);
      result[y * width + x] = sum;
    }
  }
  return result;
}
