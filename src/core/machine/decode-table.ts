/** Pictures that a browser is asked about, from the oldest kind of graphics that decode them to the newest. */
export const askedPictures = [
  { id: 'h264', codecString: 'avc1.640028', sinceYear: 2010 },
  { id: 'h264-10bit', codecString: 'avc1.6e0028', sinceYear: null },
  { id: 'hevc', codecString: 'hvc1.1.6.L120.90', sinceYear: 2016 },
  { id: 'hevc-10bit', codecString: 'hvc1.2.4.L120.90', sinceYear: 2017 },
  { id: 'vp9', codecString: 'vp09.00.40.08', sinceYear: 2016 },
  { id: 'vp9-10bit', codecString: 'vp09.02.40.10', sinceYear: 2017 },
  { id: 'av1', codecString: 'av01.0.08M.08', sinceYear: 2021 },
] as const satisfies readonly {
  readonly id: string;
  readonly codecString: string;
  /** Since when graphics decode it, as in the rules of `hardware-decode`; null where almost none do. */
  readonly sinceYear: number | null;
}[];
export type AskedPictureId = (typeof askedPictures)[number]['id'];

/** What a browser answered of one kind of picture. */
export interface DecodeTableRow {
  readonly id: AskedPictureId;
  readonly isInSoftware: boolean;
  readonly isInHardware: boolean;
}

/**
 * From when the graphics are at least, by what they decode: the year of the newest kind that they take. Null where the
 * browser offers no hardware at all: it may keep it off, and nothing follows.
 */
export function yearOfDecoding(rows: readonly DecodeTableRow[]): number | null {
  const years = rows.flatMap(({ id, isInHardware }) => {
    const sinceYear = askedPictures.find((asked) => asked.id === id)?.sinceYear ?? null;
    return isInHardware && sinceYear !== null ? [sinceYear] : [];
  });
  return years.length === 0 ? null : Math.max(...years);
}
