import type { KeyFrameDistance, PacketStamp } from './types';

/** Frames from each key frame to the next, in file order; the stretch after the last one is apart. */
function splitAtKeyFrames(packets: readonly PacketStamp[]): {
  readonly closed: readonly number[];
  readonly open: number;
} {
  const closed: number[] = [];
  let sinceKey = 0;
  packets.forEach((packet, i) => {
    if (packet.isKey && i > 0) {
      closed.push(sinceKey);
      sinceKey = 0;
    }
    sinceKey += 1;
  });
  return { closed, open: sinceKey };
}

const summarise = (distances: readonly number[], isSampled: boolean): KeyFrameDistance => ({
  longestFrames: distances.reduce((longest, distance) => Math.max(longest, distance), 1),
  meanFrames: Math.max(1, distances.reduce((sum, distance) => sum + distance, 0) / Math.max(1, distances.length)),
  isSampled,
});

/**
 * Distances between key frames, in frames, from packets in file order.
 * The stretch after the last key frame counts as a distance: a scrub there decodes it too.
 */
export function keyFrameDistanceOfPackets(packets: readonly PacketStamp[], isWhole: boolean): KeyFrameDistance {
  const { closed, open } = splitAtKeyFrames(packets);
  return summarise([...closed, Math.max(1, open)], !isWhole);
}

/**
 * The same from windows spread over a file. A window is cut at both ends, so only distances between two key frames
 * of one window count; where there is none, the longest window is what is known: at least that far.
 */
export function keyFrameDistanceOfWindows(windows: readonly (readonly PacketStamp[])[]): KeyFrameDistance {
  const closed = windows.flatMap((packets) => {
    const firstKey = packets.findIndex((packet) => packet.isKey);
    return firstKey < 0 ? [] : splitAtKeyFrames(packets.slice(firstKey)).closed;
  });
  return summarise(closed.length > 0 ? closed : windows.map((packets) => packets.length), true);
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
  return summarise(distances, true);
}
