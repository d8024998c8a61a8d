import { askedPictures, type DecodeTableRow } from '@/core/machine';
import { createDecodeOracle, type DecodeOracle, isAccepted } from './hardware-answer';

/** What this browser decodes of a 1080-line picture, in hardware and in software; empty where it decodes nothing for pages. */
export async function readDecodeTable(
  oracle: Pick<DecodeOracle, 'isConfigSupported'> | null = createDecodeOracle(),
): Promise<readonly DecodeTableRow[]> {
  if (!oracle) return [];
  return Promise.all(
    askedPictures.map(async ({ id, codecString }) => {
      const config = { codec: codecString, codedWidth: 1920, codedHeight: 1080 };
      const [isInSoftware, isInHardware] = await Promise.all([
        isAccepted(oracle, { ...config, hardwareAcceleration: 'prefer-software' }),
        isAccepted(oracle, { ...config, hardwareAcceleration: 'prefer-hardware' }),
      ]);
      return { id, isInSoftware, isInHardware };
    }),
  );
}
