import type { KeyFrameDistance, PacketStamp } from './types';

/**
 * Distances between key frames, in frames, from packets in file order.
 * The stretch after the last key frame counts as a distance: a scrub there decodes it too.
 */
export function keyFrameDistanceOfPackets(packets: readonly PacketStamp[], isWhole: boolean): KeyFrameDistance {
  const distances: number[] = [];
  let sinceKey = 0;
  packets.forEach((packet, i) => {
    if (packet.isKey && i > 0) {
      distances.push(sinceKey);
      sinceKey = 0;
    }
    sinceKey += 1;
  });
  distances.push(Math.max(1, sinceKey));
  const total = distances.reduce((sum, distance) => sum + distance, 0);
  return {
    longestFrames: distances.reduce((longest, distance) => Math.max(longest, distance), 1),
    meanFrames: total / distances.length,
    isSampled: !isWhole,
  };
}

/** The same from the times that a container's index lists, for files whose packets were not all read. */
export function keyFrameDistanceOfIndex(source: {
  readonly keyFrameMs: readonly number[];
  readonly durationMs: number;
  readonly frameRateFps: number;
}): KeyFrameDistance {
  const times = [...source.keyFrameMs].sort((a, b) => a - b);
  const ends = [...times.slice(1), Math.max(source.durationMs, times.at(-1) ?? 0)];
  const distances = times.map((time, i) =>
    Math.max(1, Math.round((((ends[i] as number) - time) * source.frameRateFps) / 1000)),
  );
  const total = distances.reduce((sum, distance) => sum + distance, 0);
  return {
    longestFrames: distances.reduce((longest, distance) => Math.max(longest, distance), 1),
    meanFrames: total / distances.length,
    isSampled: true,
  };
}
