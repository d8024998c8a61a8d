/**
 * Constants of how a machine and an editor share their time out. All are assumptions of 2026-11, with the reason
 * beside them; they are held against the simulator and real pipelines by bench:estimate.
 */

/** How much a second and further decoding thread adds: frame threading loses about a seventh to waiting. */
export const threadGainRatio = 0.85;
/** How many times faster than one thread an editor decodes with so many threads where so many cores are free. */
export const threadGainOf = (threadCount: number, freeCores: number): number =>
  1 + threadGainRatio * (Math.max(1, Math.min(threadCount, freeCores)) - 1);
/** However busy the machine, a part of a core is left to the editor: systems share. */
const leastFreeCores = 0.35;
/** Programs do not work evenly: half of the time they take so much more than on average, half of it so much less. */
const programSwing = 0.25;

const leftCores = (coreCount: number, takenCores: number): number => Math.max(leastFreeCores, coreCount - takenCores);

/** Cores left while programs are in a burst. Building goes on evenly. */
export const coresInBursts = (coreCount: number, programCores: number, buildCores: number): number =>
  leftCores(coreCount, programCores * (1 + programSwing) + buildCores);

/** Cores left while they pause. */
export const coresInPauses = (coreCount: number, programCores: number, buildCores: number): number =>
  leftCores(coreCount, programCores * (1 - programSwing) + buildCores);

/**
 * Cores left to what goes on for long: its work adds up over bursts and pauses, and where programs ask for more than
 * there is, the pauses count for more than the least that bursts leave.
 */
export const freeCoresOf = (coreCount: number, programCores: number, buildCores: number): number =>
  (coresInBursts(coreCount, programCores, buildCores) + coresInPauses(coreCount, programCores, buildCores)) / 2;

/** Cores left to what is short, a jump or a look: it falls into a burst or a pause, and the waits for each add up. */
export const jumpCoresOf = (coreCount: number, programCores: number, buildCores: number): number =>
  2 / (1 / coresInBursts(coreCount, programCores, buildCores) + 1 / coresInPauses(coreCount, programCores, buildCores));

/**
 * How an interval grows with the memory wanted beyond what there is, and where it stops growing. The system also holds
 * everything now and then for half a second while it swaps: shared out, so many milliseconds a frame, all of them from a
 * third of the memory over.
 */
export const paging = { gain: 2.5, most: 3, freezeMs: 15, freezeGain: 3 } as const;

/**
 * Programs that nobody listed hold memory as well, the more the busier they are: an updater some hundreds of MiB, a browser
 * with many pages open two thousand. Assumption.
 */
const unlistedProgramsMib = { least: 300, most: 1800 } as const;

/** Memory that programs which nobody listed hold at a severity from 0 to 1, in MiB. */
export const unlistedMibOf = (severity: number): number =>
  unlistedProgramsMib.least + (unlistedProgramsMib.most - unlistedProgramsMib.least) * severity;

/** Milliseconds a frame by which swapping holds up what is shown, at a share of memory over. */
export const swapFreezeMs = (over: number): number => paging.freezeMs * Math.min(1, paging.freezeGain * over);

/**
 * For how long the picture stands at the longest of some twenty seconds while the system swaps, in milliseconds: the more
 * surely the more memory is over. Assumption.
 */
export const swapStandMs = (over: number): number => 800 * Math.min(1, 10 * over);
/** The same while a full system drive makes room. Assumption. */
export const fullDriveStandMs = 480;

/**
 * How many times longer each wait takes while the system drive has no room, at a severity from 0 to 1, beyond what it adds to
 * each frame. Assumption.
 */
export const fullDriveWait = { least: 0.25, span: 0.75 } as const;

/** How an interval grows with what the editor wants beyond what it is allowed. */
export const shortage = { gain: 0.7, most: 3 } as const;
/** From letting go of the playhead to the decoder's first work. */
export const handMs = 20;
/** Calls that keep the graphics busy take a little of a core, reference milliseconds a frame. */
export const graphicsCallRefMs = 0.8;
/** How drawing slows when graphics memory is short, per share that is missing, and where it stops. */
export const graphicsShortage = { gain: 4, most: 4 } as const;
/** Whatever is stated or taken, so much is left: the screen itself is drawn from it. */
export const leastGraphicsMemoryMib = 32;
/** Pictures that an editor which works ahead has ready at a cut, and how much overlap it takes to be one. */
export const readyAhead = { frames: 6, leastOverlap: 0.5 } as const;
/** Opening: the editor's own start, then for each clip a picture and a wave form, and an index entry; and each piece that lies on the timeline. */
export const opening = {
  startRefMs: 5000,
  pictureRefMs: 90,
  indexMs: 14,
  latencies: 3,
  cacheLatencies: 3,
  pieceRefMs: 7,
} as const;
/** As good as endless, for editors that do not compute first. */
export const endlessSec = 3600;

/**
 * What a trouble does at a severity from 0 to 1: `least + (most − least) · severity`. Power and heat take a share of
 * the speed; programs and builds a share of all cores; the others multiply a time, or add milliseconds to each frame.
 */
export const troubleReach = {
  programs: { least: 0.3, most: 0.95 },
  power: { least: 0.2, most: 0.7 },
  heat: { least: 0.2, most: 0.7 },
  hardwareDecode: { least: 1, most: 8 },
  graphicsDrawing: { least: 2, most: 14 },
  graphicsMemory: { least: 0.68, most: 0.98 },
  drive: { least: 1, most: 12 },
  systemDrive: { least: 6, most: 36 },
  cache: { least: 10, most: 75 },
  memory: { least: 0.4, most: 1.15 },
  builds: { least: 0.3, most: 0.95 },
  software: { least: 0.25, most: 1.6 },
  unexplained: { least: 15, most: 100 },
} as const;

/** How strongly a trouble of that id acts at a severity. */
export const reachOf = (id: keyof typeof troubleReach, severity: number): number =>
  troubleReach[id].least + (troubleReach[id].most - troubleReach[id].least) * severity;
