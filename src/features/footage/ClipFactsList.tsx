'use client';

import type { CardClip, CorrectableField } from '@/core/card';
import type { ClipFacts, VideoFacts } from '@/core/footage';
import { rationalToNumber } from '@/core/numbers/rational';
import { describeBrowserAnswer, nameCodec, nameContainer, scanTexts } from '@/messages/clip-facts';
import { formatBytes, formatCount, formatDuration, formatFps, formatMbit, formatRate } from '@/messages/format';
import { FactList } from '@/ui/lists';
import { Tag } from '@/ui/Tag';

interface Fact {
  readonly name: string;
  readonly value: string;
  readonly field?: CorrectableField;
}

const unknown = 'not stated';

function describeDistance({ keyFrameDistance: distance, frameRate }: VideoFacts): string {
  if (!distance) return 'not known from a report';
  if (distance.longestFrames === 1) return 'every frame is one';
  const seconds = formatRate(distance.longestFrames / rationalToNumber(frameRate));
  const mean = formatRate(distance.meanFrames);
  const source = distance.isSampled ? '; from a part of the file' : '';
  return `up to ${formatCount(distance.longestFrames, 'frame')} apart (${seconds} s), ${mean} on average${source}`;
}

const describePace = ({ isVariableFrameRate, frameIntervals: times }: VideoFacts): string => {
  if (!isVariableFrameRate) return 'even';
  if (!times) return 'uneven';
  const [smallest, usual, largest] = [times.smallestMs, times.usualMs, times.largestMs].map((ms) => Math.round(ms));
  return `uneven: ${smallest} to ${largest} ms between frames, usually ${usual}`;
};

const videoFacts = (facts: VideoFacts): readonly Fact[] => [
  {
    name: 'Picture',
    value: `${nameCodec(facts.codec)}${facts.profile === 'unknown' ? '' : `, ${facts.profile}`}${facts.level ? `, level ${facts.level}` : ''}`,
  },
  { name: 'Size', value: `${facts.widthPx} × ${facts.heightPx} pixels` },
  { name: 'Frame rate', value: `${formatFps(rationalToNumber(facts.frameRate))} a second` },
  { name: 'Frames come', value: describePace(facts), field: 'isVariableFrameRate' },
  { name: 'Bit depth', value: `${facts.bitDepth}-bit`, field: 'bitDepth' },
  { name: 'Chroma', value: facts.chroma === 'unknown' ? unknown : facts.chroma, field: 'chroma' },
  // Nearly all there is comes progressive.
  ...(facts.scan === 'progressive' ? [] : [{ name: 'Scan', value: scanTexts[facts.scan], field: 'scan' as const }]),
  { name: 'Bit rate', value: `${formatMbit(facts.bitrateMbitPerSec)} Mbit/s` },
  { name: 'Key frames', value: describeDistance(facts) },
  {
    name: 'Length',
    value: `${formatDuration(facts.durationMs)}${facts.frameCount === null ? '' : `, ${formatCount(facts.frameCount, 'frame')}`}`,
  },
  ...(facts.rotationDegrees === 0 ? [] : [{ name: 'Turned', value: `${facts.rotationDegrees}° clockwise` }]),
  ...(facts.pixelAspect.num === facts.pixelAspect.den
    ? []
    : [{ name: 'Pixel shape', value: `${facts.pixelAspect.num} to ${facts.pixelAspect.den}` }]),
  ...(facts.videoTrackCount === 1 ? [] : [{ name: 'Pictures', value: `${facts.videoTrackCount} tracks in the file` }]),
  { name: 'Sound', value: facts.audio ? describeSound(facts.audio) : 'none' },
];

const describeSound = (audio: NonNullable<VideoFacts['audio']>): string =>
  `${audio.codec}, ${formatCount(audio.channelCount, 'channel')}, ${formatFps(audio.sampleRateHz / 1000)} kHz`;

function factsOf(facts: ClipFacts): readonly Fact[] {
  switch (facts.kind) {
    case 'video':
      return videoFacts(facts);
    case 'still':
      return [{ name: 'Size', value: `${facts.widthPx} × ${facts.heightPx} pixels` }];
    case 'sound':
      return [
        { name: 'Sound', value: describeSound(facts.audio) },
        { name: 'Length', value: formatDuration(facts.durationMs) },
      ];
  }
}

/** Every fact of a clip; those that a person stated are marked. */
export function ClipFactsList({ clip }: { readonly clip: CardClip }) {
  const { facts } = clip;
  const file: readonly Fact[] = [
    { name: 'File', value: `${nameContainer(facts.container)}, ${formatBytes(facts.sizeBytes)}` },
    ...(clip.folder === '' ? [] : [{ name: 'Folder', value: clip.folder }]),
    ...(clip.browserAnswer ? [{ name: 'This browser', value: describeBrowserAnswer(clip.browserAnswer) }] : []),
    { name: 'Known from', value: clip.origin === 'file' ? 'the file itself' : 'an ffprobe report' },
  ];
  return (
    <FactList $nameWidth="minmax(110px, auto)" $isSmall>
      {[...factsOf(facts), ...file].map(({ name, value, field }) => (
        <div key={name}>
          <dt>{name}</dt>
          <dd>
            {value} {field && clip.correctedFields.includes(field) && <Tag title="You typed it.">typed</Tag>}
          </dd>
        </div>
      ))}
    </FactList>
  );
}
