import type { PictureRegion } from './types';

/** By how much a picture is turned before it is shown, clockwise. */
export type TurnDegrees = 0 | 90 | 180 | 270;

type Size = Pick<PictureRegion, 'widthPx' | 'heightPx'>;

/** The size of a turned picture. */
export const turnedSize = ({ widthPx, heightPx }: Size, degrees: TurnDegrees): Size =>
  degrees % 180 === 0 ? { widthPx, heightPx } : { widthPx: heightPx, heightPx: widthPx };

/** The turn that takes another one back. */
export const backFrom = (degrees: TurnDegrees): TurnDegrees => ((360 - degrees) % 360) as TurnDegrees;

/** Where a part of a picture of some size lies once the picture is turned. */
export function turnedRegion(region: PictureRegion, size: Size, degrees: TurnDegrees): PictureRegion {
  const { xPx, yPx, widthPx, heightPx } = region;
  const fromRightPx = size.widthPx - xPx - widthPx;
  const fromBottomPx = size.heightPx - yPx - heightPx;
  switch (degrees) {
    case 0:
      return region;
    case 90:
      return { xPx: fromBottomPx, yPx: xPx, widthPx: heightPx, heightPx: widthPx };
    case 180:
      return { xPx: fromRightPx, yPx: fromBottomPx, widthPx, heightPx };
    case 270:
      return { xPx: yPx, yPx: fromRightPx, widthPx: heightPx, heightPx: widthPx };
  }
}
