import { describe, expect, it } from 'vitest';
import { loadDemoCards } from '@/demo/load-demo-cards';
import { driveOf } from '../machine';
import { deriveBaseState, mainClipFps, targetFpsOf } from './derive-setup';
import type { CardClip, JobCard } from './types';

const demos = await loadDemoCards();
const [demo] = demos;
if (!demo) throw new Error('no demo card');

/** A demo's first film clip with other facts. */
function clipWith(
  id: string,
  change: { readonly num?: number; readonly den?: number; readonly durationMs?: number },
): CardClip {
  const clip = demo?.clips.find(({ facts }) => facts.kind === 'video');
  if (clip?.facts.kind !== 'video') throw new Error('no film clip');
  const { num, den, durationMs } = { ...clip.facts.frameRate, durationMs: clip.facts.durationMs, ...change };
  return { ...clip, id, facts: { ...clip.facts, frameRate: { num, den }, durationMs } };
}

const withEditor = (card: JobCard, change: Partial<JobCard['editor']>): JobCard => ({
  ...card,
  editor: { ...card.editor, ...change },
});

describe('mainClipFps', () => {
  it('is the rate that most of the footage has, by its length and not by its count', () => {
    const clips = [
      clipWith('a', { num: 25, den: 1, durationMs: 5000 }),
      clipWith('b', { num: 25, den: 1, durationMs: 5000 }),
      clipWith('c', { num: 60, den: 1, durationMs: 90_000 }),
    ];
    expect(mainClipFps(clips)).toBe(60);
  });

  it('tells 30 from 29.97, but not two ways to write the latter', () => {
    const clips = [
      clipWith('a', { num: 30, den: 1, durationMs: 50_000 }),
      clipWith('b', { num: 30_000, den: 1001, durationMs: 30_000 }),
      clipWith('c', { num: 2_997_003, den: 100_000, durationMs: 30_000 }),
    ];
    expect(mainClipFps(clips)).toBeCloseTo(29.97, 3);
  });

  it('is none where nothing moves', () => {
    expect(mainClipFps([])).toBeNull();
  });
});

describe('targetFpsOf', () => {
  it('is never above the timeline, the footage or what the person asks for', () => {
    for (const card of demos) {
      const usual = targetFpsOf({ ...card, targetFps: null });
      expect(usual).toBeLessThanOrEqual(mainClipFps(card.clips) ?? Number.POSITIVE_INFINITY);
      expect(targetFpsOf({ ...card, targetFps: 12 })).toBe(Math.min(12, usual));
      expect(targetFpsOf({ ...card, targetFps: 500 })).toBe(usual);
      const slow = { ...card, targetFps: null, timeline: { ...card.timeline, frameRate: { num: 10, den: 1 } } };
      expect(targetFpsOf(slow)).toBe(10);
    }
  });
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
});
