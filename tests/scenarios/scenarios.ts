import type { JobCard } from '@/core/card';
import type { CauseId } from '@/core/causes';
import type { FixAtLevel } from '@/core/fixes';
import type { Random } from '@/core/numbers/random';
import { type BenchComplaint, findPracticeFault, type Rig } from '@/core/simulate';
import { type Draft, draftOf, streamOf, withStream } from './scenario-cards';

/** One thing that people trip over, with what must come out of it. */
export interface Scenario {
  readonly name: string;
  readonly complaints: readonly BenchComplaint[];
  readonly build: (random: Random) => Draft;
  /** What the person looked at, and what they say of their editor beyond what the rig tells. */
  readonly answers?: Readonly<Record<string, string>>;
  /** Fixes under which they took a reading as well. */
  readonly alsoRead?: readonly (readonly FixAtLevel[])[];
  readonly onCard?: (card: JobCard) => JobCard;
  /** The cause that must be named first, or causes of which any may be. */
  readonly cause: CauseId | readonly CauseId[];
  /** Fixes of which the first plan must hold one. */
  readonly cures: readonly string[];
  /** A fix that must be expected to close a third of the gap by itself. */
  readonly helps?: FixAtLevel;
  /** A fix that must be expected to bring next to nothing. */
  readonly useless: FixAtLevel;
}

const plant = (draft: Draft, id: string, severity: number): Draft => {
  const fault = findPracticeFault(id);
  if (!fault) throw new Error(`no fault ${id}`);
  return { ...draft, rig: fault.plant(draft.rig, severity) };
};
const withRig = (draft: Draft, change: Partial<Rig>): Draft => ({ ...draft, rig: { ...draft.rig, ...change } });
const withTimeline = (draft: Draft, change: Partial<Rig['timeline']>): Draft =>
  withRig(draft, { timeline: { ...draft.rig.timeline, ...change } });
const fpsOf = (draft: Draft): number => draft.rig.timeline.fps;
const quarter: FixAtLevel = { id: 'lower-preview-quality', level: '1/4' };
const proxies: FixAtLevel = { id: 'make-proxies', level: 540 };
const close: FixAtLevel = { id: 'close-programs', level: 'all' };

/** Footage that eight quick cores do not decode in time, and no graphics take over. */
const heavyFor = (draft: Draft): Draft =>
  withStream(
    draft,
    streamOf({
      fps: fpsOf(draft),
      codec: 'hevc',
      bitDepth: 10,
      chroma: '4:2:2',
      widthPx: 3840,
      heightPx: 2160,
      megabitPerSec: 130,
      keyEveryFrames: 12,
    }),
  );

/** Small copies that are made, with how far they have come. */
const withCopies = (draft: Draft, areCopiesAttached: boolean): Draft => {
  const planted = plant(heavyFor(draft), 'proxies-not-shown', 0.5);
  return withRig(planted, { faults: { ...planted.rig.faults, areCopiesAttached } });
};

const strongEffects = [
  { kind: 'rotate' as const, layerCount: 2, strength: 'usual' as const },
  { kind: 'stabilise' as const, layerCount: 2, strength: 'usual' as const },
];

/** Effects that sound graphics draw with ease. */
const lightEffects = [
  { kind: 'blur' as const, layerCount: 1, strength: 'usual' as const },
  { kind: 'denoise' as const, layerCount: 1, strength: 'usual' as const },
];

/** Graphics that decode none of the newer codecs. */
const onOldGraphics = (draft: Draft): Draft => ({ ...draft, facts: { ...draft.facts, graphicsYear: 2013 } });

/** Footage that four cores decode in time, as long as they have their speed to themselves. */
const withDemandingFootage = (draft: Draft, widthPx = 2704, heightPx = 1520): Draft =>
  withStream(draft, streamOf({ fps: fpsOf(draft), codec: 'hevc', bitDepth: 10, widthPx, heightPx, megabitPerSec: 30 }));

/** Graphics that draw and decode next to nothing. */
const withoutGraphics = (draft: Draft): Draft =>
  withRig(draft, {
    isDrawingOnGraphics: false,
    graphics: { speed: 1, slowSpeed: 1, memoryMib: 64, decodeMegapixelPerSec: 430 },
  });
const saidWithoutGraphics = (card: JobCard): JobCard => ({
  ...card,
  machine: { ...card.machine, graphics: { value: 'none', source: 'typed' } },
});

/** What people trip over, one entry each. */
export const scenarios: readonly Scenario[] = [
  {
    name: 'heavy long-distance clips play but scrub badly',
    complaints: ['scrubbing'],
    build: (random) => {
      const draft = withRig(draftOf(random), { isDecodingOnGraphics: false });
      return withStream(
        { ...draft, facts: { ...draft.facts, graphicsYear: 2012 } },
        streamOf({ fps: fpsOf(draft), codec: 'hevc', bitDepth: 8, megabitPerSec: 18, keyEveryFrames: 250 }),
      );
    },
    cause: 'decode-heavy',
    cures: ['make-proxies', 'convert-footage'],
    useless: quarter,
  },
  {
    name: '10-bit clips on an old machine',
    complaints: ['playing'],
    build: (random) => {
      const draft = draftOf(random);
      const old = { ...draft, facts: { ...draft.facts, graphicsYear: 2013, speedClass: 'slow' as const } };
      return withStream(
        withRig(old, { coreSpeed: 0.6, coreCount: 4, threadCount: 4 }),
        streamOf({
          fps: fpsOf(draft),
          codec: 'hevc',
          bitDepth: 10,
          widthPx: 3840,
          heightPx: 2160,
          megabitPerSec: 50,
          keyEveryFrames: 25,
        }),
      );
    },
    cause: 'decode-heavy',
    cures: ['make-proxies', 'convert-footage'],
    useless: quarter,
  },
  {
    name: 'proxies made but not shown',
    complaints: ['playing'],
    build: (random) => withCopies(draftOf(random), true),
    answers: { 'proxy-mark': 'no' },
    cause: 'proxies-not-shown',
    cures: ['show-proxies', 'attach-proxies'],
    useless: close,
  },
  {
    name: 'proxies made but never attached',
    complaints: ['playing'],
    build: (random) => withCopies(draftOf(random), false),
    onCard: (card) => ({ ...card, editor: { ...card.editor, proxies: 'made' } }),
    cause: 'proxies-not-shown',
    cures: ['attach-proxies'],
    useless: { id: 'show-proxies', level: null },
  },
  {
    name: 'proxies that the editor shows at a lower preview quality only',
    complaints: ['playing'],
    build: (random) => {
      // On four cores: eight quick ones play such originals as they are.
      const shown = withRig(withCopies(draftOf(random), true), { coreCount: 4, threadCount: 4 });
      return withRig(shown, { faults: { ...shown.rig.faults, areCopiesShown: true, copiesUpToRatio: 1 / 2 } });
    },
    // The switch for them is on; at half the quality their mark appears, and it plays.
    onCard: (card) => ({ ...card, editor: { ...card.editor, proxies: 'shown' } }),
    alsoRead: [[{ id: 'show-proxies', level: null }], [{ id: 'lower-preview-quality', level: '1/2' }]],
    cause: 'proxies-not-shown',
    cures: ['lower-preview-quality'],
    useless: { id: 'show-proxies', level: null },
  },
  {
    name: 'a panel that draws from the original',
    complaints: ['playing'],
    build: (random) => {
      const shown = withCopies(draftOf(random), true);
      return withRig(shown, { faults: { ...shown.rig.faults, areCopiesShown: true, isPanelOnOriginals: true } });
    },
    answers: { 'proxy-mark': 'yes', 'source-panel': 'yes' },
    cause: 'panel-reads-originals',
    cures: ['close-source-panels', 'unlink-panel-while-timing'],
    useless: { id: 'show-proxies', level: null },
  },
  {
    name: 'blending on where nothing shows through',
    complaints: ['playing'],
    build: (random) => withTimeline(withoutGraphics(draftOf(random)), { layerCount: 3 }),
    onCard: (card) => ({ ...saidWithoutGraphics(card), timeline: { ...card.timeline, isBlendingNeeded: 'no' } }),
    cause: 'layers-heavy',
    cures: ['stop-blending'],
    useless: close,
  },
  {
    name: 'fine until one strong effect',
    complaints: ['playing'],
    build: (random) =>
      withTimeline(
        withRig(draftOf(random), {
          isDrawingOnGraphics: false,
          graphics: { speed: 1, slowSpeed: 1, memoryMib: 64, decodeMegapixelPerSec: 0 },
          isDecodingOnGraphics: false,
        }),
        { effects: strongEffects },
      ),
    onCard: (card) => ({ ...saidWithoutGraphics(card), symptoms: { ...card.symptoms, moments: ['with-effects'] } }),
    cause: 'effects-heavy',
    cures: ['bypass-effects', 'lower-preview-quality', 'smaller-preview-height', 'prerender-range', 'effects-last'],
    useless: { id: 'turn-on-hardware-decode', level: null },
  },
  {
    name: 'a single clip that the editor blends with nothing, under empty tracks',
    complaints: ['playing'],
    build: (random) => {
      const draft = withTimeline(withoutGraphics(draftOf(random)), { trackCount: 4 });
      return withRig(draft, { preview: { ...draft.rig.preview, isIdleBlended: true } });
    },
    onCard: (card) => ({ ...saidWithoutGraphics(card), timeline: { ...card.timeline, trackCount: 4 } }),
    alsoRead: [[{ id: 'stop-blending', level: null }]],
    cause: 'layers-heavy',
    cures: ['stop-blending'],
    useless: proxies,
  },
  {
    name: 'one effect that reaches far',
    complaints: ['playing'],
    build: (random) =>
      withTimeline(withoutGraphics(draftOf(random)), {
        effects: [{ kind: 'sharpen', layerCount: 1, strength: 'strong' }],
      }),
    onCard: (card) => ({ ...saidWithoutGraphics(card), symptoms: { ...card.symptoms, moments: ['with-effects'] } }),
    cause: 'effects-heavy',
    cures: ['weaken-effects', 'bypass-effects', 'lower-preview-quality', 'smaller-preview-height'],
    useless: proxies,
  },
  {
    name: 'decoding and drawing on the graphics, both switched off on one page',
    complaints: ['playing'],
    build: (random) => {
      const draft = withRig(draftOf(random), {
        isDrawingOnGraphics: false,
        isDecodingOnGraphics: false,
        coreCount: 4,
        threadCount: 4,
      });
      const footage = streamOf({ fps: fpsOf(draft), codec: 'hevc', widthPx: 3840, heightPx: 2160, megabitPerSec: 90 });
      return withTimeline(withStream(draft, footage), {
        effects: [{ kind: 'colour-curves', layerCount: 1, strength: 'usual' }],
      });
    },
    onCard: (card) => ({
      ...card,
      preview: { ...card.preview, hardwareDecode: 'unknown', graphicsDrawing: 'unknown' },
    }),
    answers: { 'hardware-monitor': 'no', 'graphics-monitor': 'no' },
    cause: ['hardware-decode-off', 'graphics-drawing-off'],
    cures: ['turn-on-hardware-decode', 'turn-on-graphics-drawing'],
    useless: close,
  },
  {
    name: 'a preview that does more than it must',
    complaints: ['playing'],
    build: (random) => {
      const footage = withTimeline(withDemandingFootage(withoutGraphics(draftOf(random)), 1920, 1080), {
        effects: [{ kind: 'denoise', layerCount: 1, strength: 'usual' }],
      });
      return plant(footage, 'preview-overdone', 0.9);
    },
    onCard: saidWithoutGraphics,
    cause: 'preview-overdone',
    cures: ['lower-working-depth', 'switch-off-unused-output', 'cheaper-scaling-filter', 'low-resolution-window'],
    useless: proxies,
  },
  {
    name: 'the same clips play well in another editor here',
    complaints: ['playing'],
    build: (random) => {
      const draft = withRig(draftOf(random), { isDecodingOnGraphics: false, coreCount: 4, threadCount: 4 });
      const footage = streamOf({ fps: fpsOf(draft), codec: 'hevc', widthPx: 3840, heightPx: 2160, megabitPerSec: 90 });
      return withStream(draft, footage);
    },
    onCard: (card) => ({ ...card, preview: { ...card.preview, hardwareDecode: 'unknown' } }),
    answers: { 'other-editor': 'smoothly', 'hardware-monitor': 'no' },
    cause: 'hardware-decode-off',
    cures: ['turn-on-hardware-decode', 'make-proxies'],
    useless: close,
  },
  {
    name: 'something records the screen meanwhile',
    complaints: ['playing'],
    build: (random) => plant(withDemandingFootage(onOldGraphics(draftOf(random)), 1920, 1080), 'programs-busy', 0.9),
    answers: { 'recorder-runs': 'yes', 'played-well-before': 'used-to' },
    cause: 'programs-busy',
    cures: ['close-programs', 'stop-startup-programs'],
    useless: { id: 'turn-on-graphics-drawing', level: null },
  },
  {
    name: 'a long timeline of many pieces that opens slowly',
    complaints: ['opening'],
    build: (random) => {
      const draft = withTimeline(draftOf(random), { lengthMin: random.between(170, 220), cutsPerMinute: 25 });
      return withRig(draft, { coreSpeed: 0.8, unusedClipCount: 30 });
    },
    cause: 'building-previews',
    cures: ['split-timeline'],
    useless: proxies,
  },
  {
    name: 'sound and picture need only stay together',
    complaints: ['playing'],
    build: (random) => withRig(heavyFor(onOldGraphics(draftOf(random))), { areLateFramesSkipped: false }),
    onCard: (card) => ({
      ...card,
      symptoms: { ...card.symptoms, enough: 'in-time' },
      editor: { ...card.editor, lateFrames: 'all-played' },
    }),
    cause: 'decode-heavy',
    cures: ['skip-late-frames'],
    useless: close,
  },
  {
    name: 'every picture has to be seen, however slowly',
    complaints: ['playing'],
    build: (random) => withRig(heavyFor(onOldGraphics(draftOf(random))), { areLateFramesSkipped: true }),
    onCard: (card) => ({
      ...card,
      symptoms: { ...card.symptoms, enough: 'every-picture' },
      editor: { ...card.editor, lateFrames: 'skipped' },
    }),
    cause: 'decode-heavy',
    cures: ['play-every-frame-slowly'],
    useless: close,
  },
  {
    name: 'camera raw decoded at full size',
    complaints: ['playing'],
    build: (random) => {
      const draft = withRig(onOldGraphics(draftOf(random)), {
        isDecodingOnGraphics: false,
        coreCount: 4,
        threadCount: 4,
      });
      const raw = streamOf({
        fps: fpsOf(draft),
        codec: 'prores',
        bitDepth: 12,
        chroma: '4:4:4',
        widthPx: 4096,
        heightPx: 2160,
        megabitPerSec: 1000,
        keyEveryFrames: 1,
      });
      return withStream(draft, raw, { megabytePerSec: 1500, seekMs: 0.1 });
    },
    cause: 'decode-heavy',
    cures: ['lower-raw-decode'],
    useless: close,
  },
  {
    name: 'too little graphics memory by what the machine has',
    complaints: ['playing'],
    build: (random) => {
      const draft = draftOf(random);
      return withTimeline(withRig(draft, { graphics: { ...draft.rig.graphics, memoryMib: 256 } }), {
        widthPx: 3840,
        heightPx: 2160,
        effects: lightEffects,
      });
    },
    onCard: (card) => ({
      ...card,
      preview: { ...card.preview, graphicsDrawing: 'yes' },
      delivery: { ...card.delivery, heightPx: 2160 },
      machine: { ...card.machine, graphicsMemoryMib: { value: 256, source: 'typed' } },
    }),
    answers: { 'graphics-memory-full': 'yes', 'graphics-monitor': 'yes' },
    cause: 'graphics-memory-short',
    cures: [
      'turn-off-panel-acceleration',
      'raise-graphics-memory',
      'turn-off-graphics-drawing',
      'lower-preview-quality',
      'smaller-preview-height',
    ],
    useless: proxies,
  },
  {
    name: 'fine for ten minutes, then slow',
    complaints: ['later'],
    build: (random) => {
      const heavy = withRig(withDemandingFootage(onOldGraphics(draftOf(random))), {
        coreCount: 4,
        threadCount: 4,
        coreSpeed: 1.2,
      });
      return withRig(heavy, { faults: { ...heavy.rig.faults, heatShare: 0.3 } });
    },
    onCard: (card) => ({ ...card, machine: { ...card.machine, isThin: { value: 'yes', source: 'typed' } } }),
    answers: { 'slower-when-warm': 'yes' },
    cause: 'power-or-heat',
    cures: ['raise-power-mode'],
    useless: quarter,
  },
  {
    name: 'slow only at opening',
    complaints: ['opening'],
    build: (random) => withRig(draftOf(random), { unusedClipCount: random.whole(500, 700) }),
    cause: 'building-previews',
    cures: ['stop-thumbnails', 'import-less', 'split-timeline'],
    useless: quarter,
  },
  {
    name: 'slow only at cuts',
    complaints: ['cuts'],
    build: (random) => {
      const draft = withRig(draftOf(random), { isDecodingOnGraphics: false });
      return withTimeline(
        withStream(
          { ...draft, facts: { ...draft.facts, graphicsYear: 2012 } },
          streamOf({ fps: fpsOf(draft), codec: 'hevc', megabitPerSec: 20, keyEveryFrames: 250 }),
        ),
        { cutsPerMinute: 2 },
      );
    },
    cause: 'decode-heavy',
    cures: ['make-proxies', 'convert-footage'],
    useless: quarter,
  },
  {
    name: 'slow only with several background programs',
    complaints: ['playing'],
    // A third to spare once they are closed: nearer to the limit it would be slow with any program, or none.
    build: (random) => {
      return withRig(withDemandingFootage(onOldGraphics(draftOf(random)), 2304, 1296), {
        coreCount: 4,
        threadCount: 4,
        programs: [1.6, 1.2, 0.8].map((busyCores) => ({ busyCores, memoryMib: 300, isClosable: true })),
      });
    },
    answers: { 'other-programs': 'yes' },
    cause: 'programs-busy',
    cures: ['close-programs', 'stop-startup-programs'],
    useless: { id: 'move-media', level: null },
  },
  {
    name: 'a drive too slow for an intra-frame clip',
    complaints: ['playing'],
    build: (random) => {
      const draft = draftOf(random);
      const slow = { megabytePerSec: 42, seekMs: 9 };
      return withStream(
        { ...draft, facts: { ...draft.facts, drive: 'network' } },
        streamOf({
          fps: fpsOf(draft),
          codec: 'prores',
          bitDepth: 10,
          chroma: '4:2:2',
          megabitPerSec: 900,
          keyEveryFrames: 1,
        }),
        slow,
      );
    },
    cause: 'drive-slow',
    cures: ['move-media', 'make-proxies'],
    useless: quarter,
  },
  {
    name: 'too much memory given to the editor',
    complaints: ['playing'],
    build: (random) => withRig(draftOf(random), { memoryMib: 8192, editorGivenMib: random.between(8000, 9000) }),
    answers: { 'memory-full': 'yes' },
    cause: 'memory-short',
    cures: ['give-editor-memory'],
    useless: quarter,
  },
  {
    name: 'an editor that keeps itself to little memory, as nobody has set it',
    complaints: ['playing'],
    // Plays well with enough of it, and not by far without.
    build: (random) => {
      const draft = draftOf(random);
      const modest = { ...draft, facts: { ...draft.facts, speedClass: 'modest' as const } };
      const deep = streamOf({
        fps: fpsOf(draft),
        codec: 'hevc',
        bitDepth: 10,
        chroma: '4:2:2',
        widthPx: 1920,
        heightPx: 1080,
        megabitPerSec: 45,
      });
      return withRig(withStream(modest, deep), {
        coreCount: 4,
        coreSpeed: 0.9,
        threadCount: 4,
        editorGivenMib: random.between(340, 400),
      });
    },
    onCard: (card) => ({ ...card, editor: { ...card.editor, memoryGivenMib: null } }),
    answers: { 'editor-at-limit': 'yes', 'memory-full': 'no', 'plain-player': 'yes', 'held-back': 'no' },
    cause: 'memory-short',
    // The footage made lighter does as well, at a higher price.
    cures: ['give-editor-memory', 'convert-footage'],
    helps: { id: 'give-editor-memory', level: 8192 },
    useless: quarter,
  },
  {
    name: 'too little preview memory in an editor that computes first',
    complaints: ['waiting'],
    build: (random) =>
      withRig(draftOf(random), { design: 'computing-first', previewMemoryMib: random.between(400, 900) }),
    cause: 'memory-short',
    cures: ['raise-preview-memory', 'lower-preview-quality', 'smaller-preview-height', 'play-short-span'],
    useless: proxies,
  },
  {
    name: 'hardware decoding that makes it worse',
    complaints: ['playing'],
    build: (random) => {
      const draft = draftOf(random);
      const footage = streamOf({ fps: fpsOf(draft), widthPx: 3840, heightPx: 2160, megabitPerSec: 40 });
      return plant(withStream(draft, footage), 'hardware-decode-unreliable', 0.9);
    },
    onCard: (card) => ({ ...card, preview: { ...card.preview, hardwareDecode: 'yes' } }),
    answers: { 'core-use': 'less-than-half', 'hardware-monitor': 'yes', 'plain-player': 'no' },
    cause: 'hardware-decode-unreliable',
    cures: ['turn-off-hardware-decode'],
    useless: quarter,
  },
  {
    name: 'hardware decoding that makes it better',
    complaints: ['playing'],
    build: (random) => {
      const draft = withRig(draftOf(random), {
        isDecodingOnGraphics: false,
        coreCount: 2,
        threadCount: 2,
        coreSpeed: 0.6,
      });
      const slow = { ...draft, facts: { ...draft.facts, speedClass: 'slow' as const } };
      return withStream(
        slow,
        streamOf({ fps: fpsOf(draft), codec: 'hevc', widthPx: 3840, heightPx: 2160, megabitPerSec: 40 }),
      );
    },
    onCard: (card) => ({ ...card, preview: { ...card.preview, hardwareDecode: 'no' } }),
    cause: 'hardware-decode-off',
    cures: ['turn-on-hardware-decode'],
    useless: quarter,
  },
  {
    name: 'drawing on the graphics off',
    complaints: ['playing'],
    build: (random) =>
      withTimeline(withRig(draftOf(random), { isDrawingOnGraphics: false }), {
        effects: [
          { kind: 'sharpen', layerCount: 1, strength: 'usual' },
          { kind: 'colour-curves', layerCount: 1, strength: 'usual' },
        ],
        layerCount: 1,
      }),
    onCard: (card) => ({ ...card, preview: { ...card.preview, graphicsDrawing: 'no' } }),
    cause: 'graphics-drawing-off',
    cures: ['turn-on-graphics-drawing'],
    useless: proxies,
  },
  {
    name: 'drawing on the graphics faulty',
    complaints: ['playing'],
    build: (random) => {
      const draft = withRig(draftOf(random), { coreSpeed: 1.7 });
      const quick = { ...draft, facts: { ...draft.facts, speedClass: 'fast' as const } };
      return plant(withTimeline(quick, { effects: lightEffects }), 'graphics-drawing-unreliable', 1);
    },
    onCard: (card) => ({
      ...card,
      preview: { ...card.preview, graphicsDrawing: 'yes' },
      symptoms: { ...card.symptoms, moments: ['with-effects'] },
    }),
    alsoRead: [[{ id: 'bypass-effects', level: 'all' }]],
    answers: {
      'graphics-monitor': 'yes',
      'graphics-memory-full': 'no',
      'core-use': 'less-than-half',
      'system-drive-room': 'enough',
    },
    cause: 'graphics-drawing-unreliable',
    cures: ['turn-off-graphics-drawing', 'bypass-effects', 'effects-last'],
    useless: proxies,
  },
  {
    name: 'graphics memory short',
    complaints: ['playing'],
    build: (random) => plant(withTimeline(draftOf(random), { effects: lightEffects }), 'graphics-memory-short', 0.95),
    onCard: (card) => ({
      ...card,
      preview: { ...card.preview, graphicsDrawing: 'yes' },
      symptoms: { ...card.symptoms, moments: ['with-effects'] },
    }),
    answers: { 'graphics-memory-full': 'yes', 'graphics-monitor': 'yes' },
    alsoRead: [[{ id: 'lower-preview-quality', level: '1/2' }]],
    cause: 'graphics-memory-short',
    cures: [
      'turn-off-panel-acceleration',
      'raise-graphics-memory',
      'turn-off-graphics-drawing',
      'lower-preview-quality',
      'smaller-preview-height',
    ],
    useless: proxies,
  },
  {
    name: 'full system drive',
    complaints: ['playing'],
    build: (random) => plant(draftOf(random), 'system-drive-full', random.between(0.5, 1)),
    answers: { 'system-drive-room': 'nearly-full' },
    cause: 'system-drive-full',
    cures: ['free-system-drive', 'clear-cache', 'cap-cache'],
    useless: quarter,
  },
  {
    name: 'a system drive full of the editor’s own caches, which may go to another drive',
    complaints: ['playing'],
    build: (random) => plant(draftOf(random), 'system-drive-full', random.between(0.3, 0.6)),
    answers: { 'system-drive-room': 'nearly-full' },
    cause: 'system-drive-full',
    cures: ['free-system-drive', 'clear-cache', 'cap-cache', 'move-cache'],
    helps: { id: 'move-cache', level: null },
    useless: quarter,
  },
  {
    name: 'the viewer set far larger than it is seen',
    complaints: ['playing'],
    build: (random) => {
      const draft = withRig(draftOf(random), {
        isDrawingOnGraphics: false,
        coreSpeed: 0.6,
        graphics: { speed: 1, slowSpeed: 1, memoryMib: 64, decodeMegapixelPerSec: 430 },
      });
      const slow = { ...draft, facts: { ...draft.facts, speedClass: 'slow' as const } };
      return withRig(withTimeline(slow, { widthPx: 7680, heightPx: 4320 }), {
        preview: { ...draft.rig.preview, seenHeightPx: 540 },
        deliveredHeightPx: 4320,
      });
    },
    onCard: saidWithoutGraphics,
    cause: 'preview-too-large',
    cures: ['smaller-preview-height', 'lower-preview-quality'],
    useless: proxies,
  },
  {
    name: 'a project twice the size of its delivery',
    complaints: ['playing'],
    build: (random) => {
      return withTimeline(withoutGraphics(draftOf(random)), {
        widthPx: 3840,
        heightPx: 2160,
        effects: [{ kind: 'blur', layerCount: 1, strength: 'usual' }],
      });
    },
    onCard: saidWithoutGraphics,
    cause: 'project-mismatch',
    cures: ['lower-project-size', 'match-project-to-clips', 'lower-preview-quality', 'smaller-preview-height'],
    useless: proxies,
  },
];
