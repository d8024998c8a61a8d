import { rationalToNumber } from '../../numbers/rational';
import type { ClipRow } from './clip-rows';

/** A clip as one flat line of a table that is taken away; empty where a kind of clip has no such fact. */
export interface ClipRecord {
  readonly fileName: string;
  readonly folder: string;
  readonly kind: string;
  readonly container: string;
  readonly codec: string;
  readonly profile: string;
  readonly widthPx: number | '';
  readonly heightPx: number | '';
  readonly frameRateFps: number | '';
  readonly isVariableFrameRate: boolean | '';
  readonly bitDepth: number | '';
  readonly chroma: string;
  readonly scan: string;
  readonly bitrateMbitPerSec: number | '';
  readonly durationMs: number | '';
  readonly frameCount: number | '';
  readonly longestKeyFrameDistanceFrames: number | '';
  readonly rotationDegrees: number | '';
  readonly audioCodec: string;
  readonly audioSampleRateHz: number | '';
  readonly sizeBytes: number;
  readonly traits: string;
  readonly decodeMs: number | '';
  readonly frameMs: number | '';
  readonly scrubMs: number | '';
  readonly bindingLane: string;
}

const rounded = (value: number | undefined): number | '' => (value === undefined ? '' : Math.round(value * 100) / 100);

/** One flat record a clip, for CSV; ids and units as in docs/formats.md. */
export function listClipRecords(rows: readonly ClipRow[]): readonly ClipRecord[] {
  return rows.map(({ facts, folder, traits, cost }): ClipRecord => {
    const video = facts.kind === 'video' ? facts : null;
    const picture = facts.kind === 'sound' ? null : facts;
    const audio = facts.kind === 'still' ? null : facts.audio;
    return {
      fileName: facts.fileName,
      folder,
      kind: facts.kind,
      container: facts.container,
      codec: video?.codec ?? '',
      profile: video?.profile ?? '',
      widthPx: picture?.widthPx ?? '',
      heightPx: picture?.heightPx ?? '',
      frameRateFps: video ? rationalToNumber(video.frameRate) : '',
      isVariableFrameRate: video?.isVariableFrameRate ?? '',
      bitDepth: video?.bitDepth ?? '',
      chroma: video?.chroma ?? '',
      scan: video?.scan ?? '',
      bitrateMbitPerSec: rounded(video?.bitrateMbitPerSec),
      durationMs: facts.kind === 'still' ? '' : rounded(facts.durationMs),
      frameCount: video?.frameCount ?? '',
      longestKeyFrameDistanceFrames: video?.keyFrameDistance?.longestFrames ?? '',
      rotationDegrees: picture?.rotationDegrees ?? '',
      audioCodec: audio?.codec ?? '',
      audioSampleRateHz: audio?.sampleRateHz ?? '',
      sizeBytes: facts.sizeBytes,
      traits: traits.join(' '),
      decodeMs: rounded(cost?.decodeMs),
      frameMs: rounded(cost?.frameMs),
      scrubMs: rounded(cost?.scrubMs),
      bindingLane: cost?.bindingLane ?? '',
    };
  });
}
