import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import type { VideoFacts } from '../footage';
import { driveOf, graphicsOf, powerRatioOf } from '../machine';
import { createProgram } from './card-programs';
import { deriveBaseState } from './derive-setup';
import type { CardProgram, CardProxy, JobCard } from './types';

const demos = await loadDemoCards();
const [demo] = demos;
if (!demo) throw new Error('no demo card');

/** A card with this one film clip, its facts changed. */
function cardWithFilm(change: Partial<VideoFacts>): JobCard {
  const clip = demo?.clips.find(({ facts }) => facts.kind === 'video');
  if (!clip) throw new Error('no film clip');
  return { ...(demo as JobCard), clips: [{ ...clip, id: 'film', facts: { ...clip.facts, ...change } as VideoFacts }] };
}

const withEditor = (card: JobCard, change: Partial<JobCard['editor']>): JobCard => ({
  ...card,
  editor: { ...card.editor, ...change },
});

describe('deriveBaseState', () => {
  it('takes a clip’s own drive before the machine’s', () => {
    const [first] = demo.clips;
    if (!first) throw new Error('no clip');
    const card = { ...demo, clips: [{ ...first, drive: 'network' as const }, ...demo.clips.slice(1)] };
    const { clips } = deriveBaseState(card).setup;
    expect(clips[0]?.original.drive.readMegabytePerSec).toBe(driveOf('network').readMegabytePerSec);
    expect(clips[1]?.original.drive.readMegabytePerSec).toBe(
      driveOf(demo.machine.footageDrive.value).readMegabytePerSec,
    );
  });

  it('supposes small copies as far as somebody says they have got, and none of what is small already', () => {
    const stages = { made: [false, false], attached: [true, false], shown: [true, true] } as const;
    for (const proxies of ['made', 'attached', 'shown'] as const) {
      const { setup, hidden } = deriveBaseState(withEditor(demo, { proxies, proxyHeightPx: 540 }));
      expect([hidden.areProxiesAttached, hidden.areProxiesShown]).toEqual(stages[proxies]);
      for (const { original, proxy } of setup.clips)
        expect(proxy !== null).toBe(original.heightPx > 540 && original.codec !== 'still');
    }
    const { setup } = deriveBaseState(withEditor(demo, { proxies: 'none' }));
    expect(setup.clips.every(({ proxy }) => proxy === null)).toBe(true);
  });

  it('takes proxies that exist by what is said of them: codec, key frames, and up to which preview quality they are shown', () => {
    const shown = (change: Partial<JobCard['editor']>) => {
      const { setup, hidden } = deriveBaseState(withEditor(demo, { proxies: 'shown', ...change }));
      return { proxy: setup.clips.find(({ proxy }) => proxy !== null)?.proxy, upTo: hidden.proxiesUpToRatio };
    };
    expect(shown({})).toMatchObject({ proxy: { codec: 'h264', meanKeyFrameDistanceFrames: 1 }, upTo: 1 });
    expect(shown({ isEveryProxyFrameKey: 'no' }).proxy?.meanKeyFrameDistanceFrames).toBeGreaterThan(5);
    expect(shown({ proxyCodec: 'hevc', isEveryProxyFrameKey: 'no' }).proxy?.codec).toBe('hevc');
    // Codecs that know key frames only are what they are, and larger.
    const [intra, usual] = [shown({ proxyCodec: 'prores', isEveryProxyFrameKey: 'no' }).proxy, shown({}).proxy];
    expect(intra).toMatchObject({ codec: 'prores', meanKeyFrameDistanceFrames: 1 });
    expect(intra?.bitrateMbitPerSec).toBeGreaterThan(2 * (usual?.bitrateMbitPerSec ?? 0));
    expect(shown({ proxyQualityRatio: 1 / 4 }).upTo).toBe(1 / 4);
  });

  it('counts a habit in full, not at all, or in part where nobody knows', () => {
    const share = (known: 'yes' | 'no' | 'unknown'): number =>
      deriveBaseState(withEditor(demo, { habits: { ...demo.editor.habits, 'exact-colour': known } })).setup.preview
        .habits['exact-colour'];
    expect([share('yes'), share('no')]).toEqual([1, 0]);
    expect(share('unknown')).toBeGreaterThan(0);
    expect(share('unknown')).toBeLessThan(1);
  });

  it('believes whoever complains of waiting for the picture that the editor computes first', () => {
    const ticked = withEditor(demo, { playsBy: 'streaming' });
    const waiting = { ...ticked, symptoms: { ...demo.symptoms, moments: ['waiting-for-the-picture' as const] } };
    expect(deriveBaseState(ticked).setup.editor.playsBy).toBe('streaming');
    expect(deriveBaseState(waiting).setup.editor.playsBy).toBe('computing-first');
  });

  it('stands something usual in for footage that is not there yet', () => {
    const { clips } = deriveBaseState({ ...demo, clips: [] }).setup;
    expect(clips).toHaveLength(1);
    expect(clips[0]?.original).toMatchObject({ codec: 'h264', widthPx: 1920, heightPx: 1080 });
  });

  it('counts the frames that are really in uneven footage, and never more than its rate says', () => {
    const rateOf = (change: Partial<VideoFacts>): number | undefined =>
      deriveBaseState(cardWithFilm({ frameRate: { num: 30, den: 1 }, durationMs: 10_000, ...change })).setup.clips[0]
        ?.original.frameRateFps;
    expect(rateOf({ isVariableFrameRate: true, frameCount: 120 })).toBe(12);
    expect(rateOf({ isVariableFrameRate: true, frameCount: 900 })).toBe(30);
    expect(rateOf({ isVariableFrameRate: false, frameCount: 120 })).toBe(30);
    expect(rateOf({ isVariableFrameRate: true, frameCount: null })).toBe(30);
    expect(rateOf({ isVariableFrameRate: true, frameCount: 120, durationMs: 0 })).toBe(30);
  });

  it('takes key frames as they were read, else a second apart, and every frame in codecs of nothing else', () => {
    const distanceOf = (change: Partial<VideoFacts>): number | undefined =>
      deriveBaseState(cardWithFilm({ frameRate: { num: 30, den: 1 }, isVariableFrameRate: false, ...change })).setup
        .clips[0]?.original.meanKeyFrameDistanceFrames;
    const read = { meanFrames: 250, longestFrames: 300, isSampled: false };
    expect(distanceOf({ codec: 'h264', keyFrameDistance: read })).toBe(250);
    expect(distanceOf({ codec: 'h264', keyFrameDistance: null })).toBe(30);
    expect(distanceOf({ codec: 'prores', keyFrameDistance: null })).toBe(1);
  });

  it('lets a clip of no length last a moment, so that nothing is divided by it', () => {
    expect(deriveBaseState(cardWithFilm({ durationMs: 0 })).setup.clips[0]?.durationMs).toBe(1);
  });

  it('tells a speed that was measured from one that was typed and from a guess, and a guess alone by power mode', () => {
    const machineOf = (change: Partial<JobCard['machine']>, machineTest: JobCard['machineTest'] = null) =>
      deriveBaseState({
        ...demo,
        decodeTests: [],
        machineTest,
        machine: {
          ...demo.machine,
          speedClass: { value: 'fast', source: 'typed' },
          powerMode: { value: 'saving', source: 'typed' },
          ...change,
        },
      }).setup.machine;
    expect(machineOf({})).toMatchObject({ speedFrom: 'stated', powerRatio: powerRatioOf('saving') });
    expect(machineOf({ speedClass: { value: 'fast', source: 'assumed' } }).speedFrom).toBe('assumed');
    const measured = machineOf(
      {},
      {
        takenAtMs: 1,
        coreSpeedRatio: 1.3,
        decodeThreadCount: 3,
        graphicsRatio: 9,
        hardwareMegapixelPerSec: 321,
        storage: null,
        kernelRatio: 1.2,
        spreadRatio: 0.02,
        endedAtRatio: 1,
      },
    );
    expect(measured).toMatchObject({
      speedFrom: 'measured',
      powerRatio: 1,
      coreSpeedRatio: 1.3,
      decodeThreadCount: 3,
      graphicsRatio: 9,
      decodeMegapixelPerSec: 321,
      isHardwareMeasured: true,
    });
    expect(machineOf({ graphics: { value: 'shared', source: 'assumed' } })).toMatchObject({
      areGraphicsStated: false,
      isHardwareMeasured: false,
      decodeMegapixelPerSec: graphicsOf('shared').decodeMegapixelPerSec,
    });
    expect(machineOf({ graphics: { value: 'shared', source: 'typed' } }).areGraphicsStated).toBe(true);
    expect(machineOf({ systemDriveFreePercent: { value: 8, source: 'typed' } }).systemDriveFreeRatio).toBe(0.08);
  });

  it('charges programs for what they hold, but not the editor, and what the system holds only once', () => {
    const program = (id: string, role: CardProgram['role'], outcome: CardProgram['outcome'] = null) =>
      createProgram(id, { busyCores: 0.5, memoryMib: 300, canClose: 'yes', role, outcome });
    const { programs, areProgramsSeen } = deriveBaseState({
      ...demo,
      programsSeen: null,
      programs: [
        program('cut', 'editor'),
        program('helper', 'driver-helper'),
        program('core', 'system'),
        program('chat', 'unknown'),
        program('back', 'unknown', 'back'),
        createProgram('silent', { canClose: 'yes' }),
      ],
    }).setup;
    expect(programs.map(({ id, memoryMib, canClose }) => [id, memoryMib, canClose])).toEqual([
      ['helper', 0, 'yes'],
      ['core', 0, 'yes'],
      ['chat', 300, 'yes'],
      ['back', 300, 'no'],
      ['silent', 0, 'yes'],
    ]);
    expect(programs.at(-1)?.busyCores).toBe(0);
    expect(areProgramsSeen).toBe(false);
  });

  it('takes the proxies that lie on the card for what they are, but none that is faulty or that nobody sees', () => {
    const proxy: CardProxy = {
      clipId: 'film',
      fileName: 'film.mp4',
      folderName: 'Proxies',
      widthPx: 960,
      heightPx: 540,
      isEveryFrameKey: true,
      sizeBytes: 5_000_000,
      madeAtMs: 1,
      isShown: 'unknown',
      faults: null,
    };
    const proxyOf = (change: Partial<CardProxy>) =>
      deriveBaseState({
        ...cardWithFilm({ durationMs: 20_000, widthPx: 3840, heightPx: 2160, codec: 'h264' }),
        editor: { ...demo.editor, proxies: 'shown' },
        proxies: [{ ...proxy, ...change }],
      }).setup.clips[0]?.proxy;
    // 5 MB in 20 s are 2 Mbit/s.
    expect(proxyOf({})).toMatchObject({
      widthPx: 960,
      heightPx: 540,
      bitrateMbitPerSec: 2,
      meanKeyFrameDistanceFrames: 1,
    });
    expect(proxyOf({ isEveryFrameKey: false })?.meanKeyFrameDistanceFrames).toBeGreaterThan(5);
    expect(proxyOf({ faults: [] })).not.toBeNull();
    expect(proxyOf({ faults: ['length-differs'] })).toBeNull();
    expect(proxyOf({ isShown: 'no' })).toBeNull();
    expect(proxyOf({ clipId: 'another' })).toBeNull();
    expect(
      deriveBaseState({ ...demo, editor: { ...demo.editor, proxies: 'unknown' }, proxies: [proxy] }).setup.clips.every(
        (clip) => clip.proxy === null,
      ),
    ).toBe(true);
  });

  it('takes as stated what somebody stated: layers with titles, effects, an open panel of sources', () => {
    const timelineOf = (stated: JobCard['timeline']['stated']) =>
      deriveBaseState({ ...demo, timeline: { ...demo.timeline, stated } }).setup.timeline;
    expect(timelineOf(['videoLayerCount', 'titleCount', 'effects'])).toMatchObject({
      areLayersStated: true,
      areEffectsStated: true,
    });
    expect(timelineOf(['videoLayerCount'])).toMatchObject({ areLayersStated: false, areEffectsStated: false });
    expect(timelineOf(['titleCount']).areLayersStated).toBe(false);
    for (const [isOpen, isReading] of [
      ['yes', true],
      ['no', false],
      ['unknown', false],
    ] as const)
      expect(deriveBaseState(withEditor(demo, { isSourcePanelOpen: isOpen })).hidden.isPanelReadingOriginals).toBe(
        isReading,
      );
  });

  it('is before any fix: nothing that a fix sets is set', () => {
    const { preview, editor, timeline } = deriveBaseState(withEditor(demo, { workingDepthBits: null })).setup;
    expect(preview).toMatchObject({
      areEffectsBypassed: false,
      movingQualityRatio: 1,
      isBlending: true,
      workingDepthBits: 8,
      isPrerendered: false,
    });
    expect(editor).toMatchObject({ areThreadsRaised: false, areFilesKeptOpen: false, isSpeedFavoured: false });
    expect(timeline).toMatchObject({ hasOnlyListedEffects: false, hasOnlyListedLayers: false });
  });
});
