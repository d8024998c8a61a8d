import type { DriveKind, GraphicsKind, PowerMode } from './catalogue';
import type { Fact, KnownState } from './facts';
import type { ProgramPercent } from './program-percent';

/** Graphics as the system lists them. */
export interface ReadGraphics {
  readonly name: string;
  /** Whether it has memory of its own; null where the system does not say. */
  readonly isSeparate: boolean | null;
  readonly memoryMib: number | null;
}

/** A drive as the system lists it: a place where files can lie. */
export interface ReadDrive {
  /** Where a person finds it: "C:", "/", or the name under which it is mounted. */
  readonly label: string;
  readonly kind: DriveKind | null;
  readonly sizeGb: number;
  readonly freeGb: number;
  readonly isSystem: boolean;
}

/** What the local helper reads of the computer it runs on; sizes of drives in decimal gigabytes, as shops state them. */
export interface ReadMachine {
  readonly system: {
    readonly kind: 'windows' | 'macos' | 'linux' | 'other';
    readonly name: string;
    readonly version: string;
  };
  readonly processor: { readonly name: string; readonly coreCount: number; readonly clockGhz: number | null };
  readonly memory: { readonly totalMib: number; readonly freeMib: number };
  readonly graphics: readonly ReadGraphics[];
  readonly drives: readonly ReadDrive[];
  readonly battery: { readonly isPluggedIn: boolean; readonly percent: number } | null;
  /** What is set for saving power; null where the system does not say. */
  readonly powerMode: PowerMode | null;
}

/** The facts of a card's machine that can be read; the same names as on the card. */
export interface ReadMachineFacts {
  readonly coreCount?: Fact<number>;
  readonly memoryMib?: Fact<number>;
  readonly graphics?: Fact<GraphicsKind>;
  readonly graphicsMemoryMib?: Fact<number>;
  readonly hasSecondGraphics?: Fact<KnownState>;
  readonly isPluggedIn?: Fact<KnownState>;
  readonly powerMode?: Fact<PowerMode>;
  readonly systemDriveFreePercent?: Fact<number>;
  readonly footageDrive?: Fact<DriveKind>;
  readonly cacheDrive?: Fact<DriveKind>;
  readonly programPercent?: Fact<ProgramPercent>;
}

const read = <T>(value: T): Fact<T> => ({ value, source: 'read' });

/** Graphics with memory of their own come before those that share the machine's. */
const mainGraphics = (graphics: readonly ReadGraphics[]): ReadGraphics | undefined =>
  graphics.find(({ isSeparate }) => isSeparate === true) ?? graphics[0];

/**
 * What follows for a card from what was read. Left out is what nothing follows for: where the footage and the cache lie is
 * only certain where there is a single drive.
 */
export function factsOfMachine(machine: ReadMachine): ReadMachineFacts {
  const { processor, memory, graphics, drives, battery, powerMode, system } = machine;
  const main = mainGraphics(graphics);
  const systemDrive = drives.find(({ isSystem }) => isSystem);
  const [only] = drives;
  const onlyKind = drives.length === 1 ? (only?.kind ?? null) : null;
  return {
    coreCount: read(Math.min(256, Math.max(1, Math.round(processor.coreCount)))),
    memoryMib: read(Math.min(4_194_304, Math.max(512, Math.round(memory.totalMib)))),
    ...(main && main.isSeparate !== null && { graphics: read(main.isSeparate ? 'separate' : 'shared') }),
    ...(main?.memoryMib && { graphicsMemoryMib: read(Math.min(4_194_304, Math.round(main.memoryMib))) }),
    ...(graphics.length > 0 && { hasSecondGraphics: read(graphics.length > 1 ? 'yes' : 'no') }),
    ...(battery
      ? { isPluggedIn: read<KnownState>(battery.isPluggedIn ? 'yes' : 'no') }
      : { isPluggedIn: read<KnownState>('yes') }),
    ...(powerMode && { powerMode: read(powerMode) }),
    ...(systemDrive &&
      systemDrive.sizeGb > 0 && {
        systemDriveFreePercent: read(
          Math.min(100, Math.max(0, Math.round((1000 * systemDrive.freeGb) / systemDrive.sizeGb) / 10)),
        ),
      }),
    ...(onlyKind && { footageDrive: read(onlyKind), cacheDrive: read(onlyKind) }),
    ...(system.kind !== 'other' && { programPercent: read(system.kind === 'windows' ? 'all-cores' : 'one-core') }),
  };
}
