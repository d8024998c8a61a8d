import type { ClipFacts, ClipTrait, VideoFacts } from '@/core/footage';
import { formatCount, formatFps, formatMbit } from './format';

interface TraitText {
  readonly label: string;
  /** What it means for playing and scrubbing, one press away. */
  readonly why: string;
  /** This clip's own figures, where the label does not hold them. */
  readonly figures?: (clip: VideoFacts) => string;
}

/** Traits in plain words. */
const traitTexts: Readonly<Record<ClipTrait, TraitText>> = {
  'in-cloud': {
    label: 'still in the cloud',
    why: 'You said that this folder is not on this computer yet. Every frame waits for the line until the files are downloaded for good.',
  },
  'looks-like-proxy': {
    label: 'looks like a proxy',
    why: 'Its name or folder says so, or a larger clip of the same name and length is here. A film exported from it would have the small picture.',
  },
  'camera-raw': {
    label: 'camera raw',
    why: 'What the sensor saw, developed anew for every frame. Many editors can develop it at a lower quality for the preview.',
  },
  'long-key-frame-distance': {
    label: 'key frames far apart',
    why: 'Only a key frame can be shown on its own. A move to any other place decodes everything since the last one, so scrubbing waits, even where playing is smooth.',
    figures: ({ keyFrameDistance: distance }) =>
      distance ? `Up to ${formatCount(distance.longestFrames, 'frame')} from one to the next.` : '',
  },
  'ten-bit': {
    label: '10-bit',
    why: 'Finer colour steps, good for grading. They cost about half as much again to decode, and 10-bit H.264 is decoded in hardware almost nowhere.',
    figures: ({ bitDepth }) => (bitDepth > 10 ? `This one has ${bitDepth} bits.` : ''),
  },
  'chroma-422': {
    label: '4:2:2',
    why: 'A third more samples than 4:2:0. The hardware of most laptops cannot decode this, so the processor does it.',
  },
  'chroma-444': {
    label: '4:4:4',
    why: 'Twice the samples of 4:2:0. The hardware of most laptops cannot decode this, so the processor does it.',
  },
  'hardware-unlikely': {
    label: 'hardware decoding unlikely',
    why: 'Graphics of this kind do not take this form of picture, so the processor decodes it.',
  },
  'hardware-likely': {
    label: 'hardware decoding likely',
    why: 'Graphics of this kind take this form of picture. Whether the editor lets them is a setting of its own; a test-play shows what they can do.',
  },
  'hardware-measured': {
    label: 'hardware decoding measured',
    why: 'A test-play on this machine decoded such a clip on the graphics, at another speed than the processor.',
  },
  'variable-frame-rate': {
    label: 'uneven frame rate',
    why: 'Frames do not come at even distances, as phones and screen recorders do it. Editors repeat or drop some to fit the timeline, and sound can drift.',
    figures: ({ frameIntervals: times }) =>
      times
        ? `From ${Math.round(times.smallestMs)} to ${Math.round(times.largestMs)} ms between frames, usually ${Math.round(times.usualMs)}.`
        : '',
  },
  'very-high-bitrate': {
    label: 'very high bit rate',
    why: 'Much data for each second. It costs decoding time, and a slow drive or card may not deliver it fast enough.',
    figures: ({ bitrateMbitPerSec }) => `${formatMbit(bitrateMbitPerSec)} Mbit/s.`,
  },
  'slow-drive': {
    label: 'on a slow drive',
    why: 'A spinning disk, a memory card or a network gives data in bursts. High bit rates and moves of the playhead suffer first.',
  },
  'large-picture': {
    label: 'large picture',
    why: 'Decoding and scaling cost by the pixel: a 2160-line picture has four times as many as a 1080-line one.',
  },
  'larger-than-timeline': {
    label: 'larger than the timeline',
    why: 'Each frame is decoded whole and then made smaller: the pixels beyond the timeline are paid for and not seen, unless you crop or zoom.',
  },
  'high-frame-rate': {
    label: 'high frame rate',
    why: 'Twice as many frames to decode for every second, as 50 or 60 a second have.',
  },
  'faster-than-timeline': {
    label: 'faster than the timeline',
    why: 'Most editors decode frames here that are never shown, unless the clip is slowed down.',
  },
  'rate-differs': {
    label: 'slower than the timeline',
    why: 'Some frames are shown twice, which can look uneven, and the rate of the film may be set higher than its footage.',
  },
  hevc: {
    label: 'HEVC',
    why: 'Small files for their quality, and about twice as dear to decode as H.264 where hardware does not help.',
  },
  interlaced: {
    label: 'interlaced',
    why: 'Each frame holds two fields, every other row of the picture each. The editor turns them into whole pictures while playing, which costs time and looks best set right once.',
  },
  'non-square-pixels': {
    label: 'pixels not square',
    why: 'Every frame is stretched when shown. It costs little; a timeline of the wrong shape costs more.',
    figures: ({ pixelAspect }) => `Each is ${formatFps(pixelAspect.num / pixelAspect.den)} times as wide as high.`,
  },
  'several-video-tracks': {
    label: 'several pictures in one file',
    why: 'More than one picture track lies in this file. Editors read past the others, and some show the wrong one.',
    figures: ({ videoTrackCount }) => `${formatCount(videoTrackCount, 'picture track')}.`,
  },
  'audio-rate-differs': {
    label: 'sound rate differs',
    why: 'Its sound has another rate than most clips here, so the editor converts it while playing. It costs little.',
    figures: ({ audio }) => (audio ? `${formatFps(audio.sampleRateHz / 1000)} kHz.` : ''),
  },
  rotated: {
    label: 'turned',
    why: 'The file says "turn me" and every frame is turned when shown. It costs little.',
    figures: ({ rotationDegrees }) => `By ${rotationDegrees}° clockwise.`,
  },
  'intra-frame': {
    label: 'every frame a key frame',
    why: 'Each frame stands on its own: scrubbing is quick, files are large.',
  },
  'very-large-still': {
    label: 'very large still',
    why: 'A still is decoded once, but scaled for every frame that shows it. A copy at twice the timeline’s height plays lighter and still leaves room to zoom.',
  },
  still: {
    label: 'still',
    why: 'Nothing is decoded frame by frame: only scaling costs. It needs no proxy.',
  },
  'sound-only': {
    label: 'sound only',
    why: 'Sound takes next to no time: this file is no cause of a lagging picture.',
  },
};

/** A trait's short name. */
export const traitLabel = (trait: ClipTrait): string => traitTexts[trait].label;

/** Why a trait matters, with this clip's own figures first where there are any. */
export function describeTrait(trait: ClipTrait, clip: ClipFacts): string {
  const { why, figures } = traitTexts[trait];
  const own = clip.kind === 'video' && figures ? figures(clip) : '';
  return own ? `${own} ${why}` : why;
}
