import type { Random } from '../numbers/random';
import type { Rig, RigClip, RigStream } from './types';
import {
  drawSpeed,
  drawWorkMs,
  holdUpsOf,
  isDrawnOnGraphics,
  isHardwareDecoded,
  memoryOver,
  memorySlowness,
  softwareWorkMs,
  threadGain,
  usedStream,
} from './work';

/** What playing yields: the times at which new pictures appear, and how busy the cores, the drive and the graphics were. */
export interface Playing {
  readonly shownAtMs: readonly number[];
  readonly coreUseRatio: number;
  readonly editorCores: number;
  readonly driveUseRatio: number;
  readonly graphicsUseRatio: number;
}

/** One frame's needs. */
interface FrameWork {
  readonly readMs: number;
  readonly decodeCoreMs: number;
  readonly decodeHardwareMs: number;
  readonly drawCoreMs: number;
  readonly drawGraphicsMs: number;
  readonly stallMs: number;
}

/** How many frames are read, decoded and drawn ahead. */
const designQueues = {
  'in-turn': { read: 1, decoded: 1, drawn: 1 },
  ahead: { read: 24, decoded: 8, drawn: 2 },
  'clip-size': { read: 16, decoded: 5, drawn: 1 },
  'on-graphics': { read: 24, decoded: 6, drawn: 2 },
  'computing-first': { read: 1, decoded: 1, drawn: 1 },
} as const;

/** Speed of a core while playing, soon after starting or later. */
export const coreSpeedNow = (rig: Rig, isLater: boolean): number =>
  (rig.coreSpeed * rig.faults.powerShare * (isLater ? rig.faults.heatShare : 1)) / rig.faults.staleness;

/** The quarter of the film that lags most: people press play where it does. */
function heavyClips(rig: Rig): readonly RigClip[] {
  const total = rig.clips.reduce((sum, clip) => sum + clip.seconds, 0);
  const holdUpMs = (clip: RigClip): number => {
    const { readMs, decodeMs } = holdUpsOf(rig, usedStream(rig, clip));
    return Math.max(readMs, decodeMs);
  };
  const byHoldUp = [...rig.clips].sort((a, b) => holdUpMs(b) - holdUpMs(a));
  let left = total / 4;
  return byHoldUp.filter((clip) => {
    const isTaken = left > 0;
    left -= clip.seconds;
    return isTaken;
  });
}

/** A picture that is taken from a file for a frame; `frames` is how many frames' worth of work it is, on the way to it too. */
interface TakenPicture {
  readonly stream: RigStream;
  readonly readFrames: number;
  readonly decodeFrames: number;
}

/** Reading and decoding all pictures of one frame. */
function fetchWork(rig: Rig, pictures: readonly TakenPicture[], coreSpeed: number) {
  let [readMs, softMs, copyMs, hardwareMs] = [0, 0, 0, 0];
  for (const { stream, readFrames, decodeFrames } of pictures) {
    const megabytePerSec = stream.drive.megabytePerSec * rig.faults.driveShare * rig.quirks.drive;
    readMs += ((stream.megabitsPerFrame * readFrames) / 8 / megabytePerSec) * 1000;
    if (isHardwareDecoded(rig, stream)) {
      copyMs += 0.4 * stream.megapixels;
      hardwareMs +=
        ((1000 * stream.megapixels * readFrames) / rig.graphics.decodeMegapixelPerSec) * rig.faults.hardwareSlowdown;
    } else softMs += softwareWorkMs(stream) * decodeFrames * rig.quirks.decode;
  }
  return { readMs, decodeCoreMs: (softMs + copyMs) / coreSpeed, decodeHardwareMs: hardwareMs };
}

/** The work of every frame of a stretch of `count` frames; key frames cost more, and each cut begins between them. */
function listWork(rig: Rig, random: Random, count: number, coreSpeed: number): readonly FrameWork[] {
  const clips = heavyClips(rig);
  const mean = rig.clips[0];
  if (!mean || clips.length === 0) throw new Error('listWork: a rig without clips');
  const { timeline, preview, faults } = rig;
  const paging = memoryOver(rig);
  const slow = memorySlowness(rig);
  const framesPerCut =
    timeline.cutsPerMinute > 0 ? Math.max(2, (60 * timeline.fps) / timeline.cutsPerMinute) : count + 1;
  const speed = drawSpeed(rig, coreSpeed);
  const isGraphics = isDrawnOnGraphics(rig);
  const otherCount = timeline.layerCount + timeline.coveredLayerCount - 1;
  // The frames on the way from a key frame are shared out among the threads, as all others are.
  const entryGain = designQueues[rig.design].decoded === 1 ? 1 : threadGain(rig);
  const frames: FrameWork[] = [];
  let clipIndex = 0;
  let sinceKey = 0;
  let untilCut = framesPerCut * random.between(0.2, 1);
  for (let i = 0; i < count; i++) {
    const isCut = untilCut <= 0;
    if (isCut) {
      clipIndex++;
      untilCut += framesPerCut;
    }
    untilCut--;
    const clip = clips[clipIndex % clips.length] ?? mean;
    const stream = usedStream(rig, clip);
    const perShown = Math.max(1, stream.fps / timeline.fps);
    // A key frame costs about 1.6 of an average one; the others make up for it.
    const isLong = stream.keyEveryFrames > 1.5;
    if (isCut) sinceKey = Math.floor(random.next() * stream.keyEveryFrames);
    const isKey = !isLong || sinceKey >= stream.keyEveryFrames;
    sinceKey = isKey ? 1 : sinceKey + 1;
    const ratio = !isLong ? 1 : isKey ? 1.6 : 1 - 0.6 / Math.max(2, stream.keyEveryFrames - 1);
    const entry = isCut && isLong ? Math.min(stream.keyEveryFrames / 2, stream.keyEveryFrames * random.next()) : 0;
    const own = { stream, readFrames: (1 + entry) * perShown, decodeFrames: (ratio + entry / entryGain) * perShown };
    const panel = { stream: clip.original, readFrames: perShown, decodeFrames: perShown };
    // What lies on the other layers are other clips of the film.
    const others = Array.from({ length: otherCount }, (_, k) => {
      const other = usedStream(rig, rig.clips[(clipIndex + k + 1) % rig.clips.length] ?? mean);
      const frameCount = Math.max(1, other.fps / timeline.fps);
      return { stream: other, readFrames: frameCount, decodeFrames: frameCount };
    });
    const pictures = [own, ...others, ...(faults.isPanelOnOriginals ? [panel] : [])];
    const fetch = preview.isRendered ? renderedWork(coreSpeed) : fetchWork(rig, pictures, coreSpeed);
    const sources = pictures.map((picture) => picture.stream.megapixels);
    const drawMs = (drawWorkMs(rig, stream, sources) * rig.quirks.draw) / speed;
    frames.push({
      readMs: fetch.readMs + (isCut && !rig.areFilesKeptOpen ? stream.drive.seekMs + 12 : 0) + faults.cacheWaitMs,
      decodeCoreMs: fetch.decodeCoreMs * slow,
      decodeHardwareMs: fetch.decodeHardwareMs,
      drawCoreMs: isGraphics
        ? ((0.25 + 0.5 * timeline.heightPx * preview.ratio * 1e-3) / coreSpeed) * slow
        : drawMs * slow,
      drawGraphicsMs: isGraphics ? drawMs : 0,
      stallMs:
        faults.oddMs +
        (random.isTrue(0.03 * Math.min(1, paging * 3)) ? random.between(150, 900) : 0) +
        (random.isTrue(faults.systemDriveStall * 0.12) ? random.between(60, 500) : 0),
    });
  }
  return frames;
}

/** A pre-rendered range is one small intra-frame file, whatever lies under it. */
const renderedWork = (coreSpeed: number) => ({ readMs: 0.5, decodeCoreMs: 2 / coreSpeed, decodeHardwareMs: 0 });

/** Cores that others take at a moment: programs run in bursts, the editor's own building all the time. */
function createBursts(rig: Rig, random: Random): (atMs: number) => number {
  const closed = rig.programs.reduce((sum, program) => sum + program.busyCores, 0);
  const mean = closed + rig.faults.unlistedCores;
  let isHigh = random.isTrue(0.5);
  let until = 0;
  return (atMs) => {
    while (until <= atMs) {
      isHigh = !isHigh;
      until += -Math.log(1 - random.next()) * 700 + 50;
    }
    return Math.max(0, mean * (isHigh ? 1.35 : 0.65)) + rig.faults.buildCores;
  };
}

/** A job that takes core time or wall time. */
interface Job {
  readonly frame: number;
  leftMs: number;
}

/**
 * Plays for `durationMs` and gives the times, from the press of the key, at which new pictures appear. A
 * discrete-event simulation: a drive, decoding threads that share the cores with drawing and with other programs,
 * a decoder on the graphics, a drawing worker, bounded queues between them, and a rule for late frames.
 */
export function play(rig: Rig, random: Random, durationMs: number, isLater = false): Playing {
  const coreSpeed = coreSpeedNow(rig, isLater);
  const frameMs = 1000 / rig.timeline.fps;
  const count = Math.ceil(durationMs / frameMs) + 4;
  const frames = listWork(rig, random, count, coreSpeed);
  const othersAt = createBursts(rig, random);
  const queues = designQueues[rig.design];
  const isInTurn = queues.decoded === 1;
  const threadCount = Math.max(1, Math.min(rig.threadCount, 16));
  const slow = memorySlowness(rig);
  const inTurnGain = threadGain(rig);
  const workOf = (frame: number): FrameWork => frames[frame] as FrameWork;

  const shownAtMs: number[] = [];
  const decoding: Job[] = [];
  const isDecoded: boolean[] = [];
  let reading: Job | null = null;
  let hardware: Job | null = null;
  let drawing: (Job & { coreMs: number; stallMs: number }) | null = null;
  let nextRead = 0;
  let nextDecode = 0;
  let readyTo = 0; // Frames below it are decoded.
  let nextDraw = 0;
  let readTo = 0;
  let nowMs = 0;
  let startMs = -1;
  let usedCoreMs = 0;
  let editorCoreMs = 0;
  let usedDriveMs = 0;
  let usedGraphicsMs = 0;
  const isSkipping = rig.areLateFramesSkipped && rig.design !== 'computing-first';

  const finishDecode = (frame: number): void => {
    isDecoded[frame] = true;
    while (isDecoded[readyTo]) readyTo++;
  };
  /** Software decoding of one frame may use several threads only where players slice it; frames run side by side. */
  const begin = (): void => {
    const isIdleInTurn =
      !isInTurn || (decoding.length === 0 && hardware === null && drawing === null && readyTo === nextDraw);
    if (
      !reading &&
      nextRead < count &&
      nextRead - nextDecode < queues.read &&
      (!isInTurn || (isIdleInTurn && readTo === nextDecode))
    )
      reading = { frame: nextRead, leftMs: workOf(nextRead++).readMs };
    while (
      nextDecode < readTo &&
      nextDecode - nextDraw < queues.decoded + threadCount - 1 &&
      decoding.length < (isInTurn ? 1 : threadCount) &&
      !hardware
    ) {
      const work = workOf(nextDecode);
      if (work.decodeHardwareMs > 0) hardware = { frame: nextDecode, leftMs: work.decodeHardwareMs };
      // One frame after another: its slices share the threads, and some of each is lost to waiting.
      decoding.push({ frame: nextDecode, leftMs: work.decodeCoreMs / (isInTurn ? inTurnGain : 1) });
      nextDecode++;
    }
    if (!drawing && nextDraw < readyTo) {
      let frame = nextDraw;
      if (isSkipping && startMs >= 0) {
        const dueFrame = Math.floor((nowMs - startMs) / frameMs);
        frame = Math.min(readyTo - 1, Math.max(frame, dueFrame));
      }
      const earliestMs = startMs < 0 ? 0 : startMs + frame * frameMs - queues.drawn * frameMs;
      if (nowMs + 1e-6 >= earliestMs) {
        nextDraw = frame + 1;
        const work = workOf(frame);
        drawing = { frame, leftMs: work.drawGraphicsMs, coreMs: work.drawCoreMs, stallMs: work.stallMs };
      }
    }
  };

  while (nowMs < durationMs && shownAtMs.length < count && nextDraw < count) {
    begin();
    const job = drawing as (Job & { coreMs: number; stallMs: number }) | null;
    const isDrawingOnCore = job !== null && job.stallMs <= 0 && job.coreMs > 0;
    const working = decoding.filter((task) => task.leftMs > 1e-6);
    // One frame after another: its slices keep all threads busy at once.
    const active = working.length * (isInTurn ? threadCount : 1) + (isDrawingOnCore ? 1 : 0);
    const others = othersAt(nowMs);
    // The system shares the cores among all who want them; some of a core always comes through.
    const share =
      active === 0 ? 1 : Math.min(1, rig.coreCount / (active + others), Math.max(0.3, rig.coreCount - others) / active);
    const waits = [25];
    const head = reading as Job | null;
    const unit = hardware as Job | null;
    if (head) waits.push(head.leftMs);
    if (unit) waits.push(unit.leftMs);
    for (const task of working) waits.push(task.leftMs / share);
    if (job) waits.push(job.stallMs > 0 ? job.stallMs : job.coreMs > 0 ? job.coreMs / share : job.leftMs);
    else if (nextDraw < readyTo && startMs >= 0)
      waits.push(Math.max(0.05, startMs + nextDraw * frameMs - queues.drawn * frameMs - nowMs));
    const stepMs = Math.max(1e-3, Math.min(...waits));
    nowMs += stepMs;
    // What swapping adds is waiting for the drive: the editor holds its cores and does not use them.
    const workedCores = (active * share) / slow;
    editorCoreMs += stepMs * workedCores;
    usedCoreMs += stepMs * (workedCores + Math.min(others, rig.coreCount - active * share));

    if (head) {
      usedDriveMs += stepMs;
      head.leftMs -= stepMs;
      if (head.leftMs <= 1e-6) {
        readTo = head.frame + 1;
        reading = null;
      }
    }
    if (unit) unit.leftMs -= stepMs;
    for (const task of working) task.leftMs -= stepMs * share;
    if (unit && unit.leftMs <= 1e-6) hardware = null;
    for (let i = decoding.length - 1; i >= 0; i--) {
      const task = decoding[i] as Job;
      const isOnUnit = (hardware as Job | null)?.frame === task.frame;
      if (task.leftMs <= 1e-6 && !isOnUnit) {
        decoding.splice(i, 1);
        finishDecode(task.frame);
      }
    }
    if (job) {
      if (job.stallMs > 0) job.stallMs -= stepMs;
      else if (job.coreMs > 0) job.coreMs -= stepMs * share;
      else {
        job.leftMs -= stepMs;
        usedGraphicsMs += stepMs;
      }
      if (job.stallMs <= 1e-6 && job.coreMs <= 1e-6 && job.leftMs <= 1e-6) {
        drawing = null;
        if (startMs < 0) startMs = nowMs;
        const dueMs = startMs + job.frame * frameMs;
        const atMs = Math.max(nowMs, dueMs);
        shownAtMs.push(atMs);
        // Playing every frame, or fallen behind by a second with skipping: the clock waits for the picture.
        if (!isSkipping || nowMs - dueMs > 1000) startMs = atMs - job.frame * frameMs;
      }
    }
  }
  return {
    shownAtMs: shownAtMs.filter((atMs) => atMs <= durationMs),
    coreUseRatio: Math.min(1, usedCoreMs / (Math.max(nowMs, 1) * rig.coreCount)),
    editorCores: Math.min(rig.coreCount, editorCoreMs / Math.max(nowMs, 1) + rig.faults.buildCores),
    driveUseRatio: Math.min(1, usedDriveMs / Math.max(nowMs, 1)),
    graphicsUseRatio: Math.min(1, usedGraphicsMs / Math.max(nowMs, 1)),
  };
}
