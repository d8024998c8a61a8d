import { imageSize } from 'image-size';
import type { FootageFailure, StillFacts, StillFormat } from '@/core/footage';
import { fail, type Result, succeed } from '@/core/result';
import type { ByteSource } from './byte-source';

/** Sizes stand near the beginning; before a JPEG's there can be a preview picture and a colour profile. */
const headBytes = [256 * 1024, 4 * 1024 * 1024] as const;

/** Degrees clockwise by EXIF orientation; the mirrored forms count as turned alone. */
const rotationByOrientation: Readonly<Record<number, StillFacts['rotationDegrees']>> = {
  3: 180,
  4: 180,
  5: 90,
  6: 90,
  7: 270,
  8: 270,
};

function readSize(bytes: Uint8Array): ReturnType<typeof imageSize> | null {
  try {
    return imageSize(bytes);
  } catch {
    // The reader throws where the bytes end before the size; a longer piece is tried then.
    return null;
  }
}

/** A still's facts from its first bytes. Fails with `file-unreadable` where no size can be found in them. */
export async function readStill(source: ByteSource, format: StillFormat): Promise<Result<StillFacts, FootageFailure>> {
  for (const length of headBytes) {
    const size = readSize(await source.read(0, length));
    if (size && size.width > 0 && size.height > 0)
      return succeed({
        kind: 'still',
        fileName: source.fileName,
        sizeBytes: source.sizeBytes,
        container: format,
        widthPx: size.width,
        heightPx: size.height,
        rotationDegrees: rotationByOrientation[size.orientation ?? 1] ?? 0,
      });
    if (source.sizeBytes <= length) break;
  }
  return fail({ code: 'file-unreadable', detail: `no picture size in this ${format} file` });
}
