import { deriveBaseState } from '../card/derive-setup';
import type { JobCard } from '../card/types';
import type { PriorFacts } from '../causes';
import type { SetupState } from '../load/types';

/** Answers that make faults likelier before any reading. */
export const priorFactsOf = (card: JobCard): PriorFacts => ({
  isPluggedIn: card.machine.isPluggedIn.value,
  isUpToDate: card.firstThings['up-to-date'],
  wasRestarted: card.firstThings.restarted,
  isBuilding: card.editor.isBuilding,
  isSourcePanelOpen: card.editor.isSourcePanelOpen,
  isSystemDriveStated: card.machine.systemDriveFreePercent.source !== 'assumed',
  isFootageDriveStated:
    card.machine.footageDrive.source !== 'assumed' || card.clips.every((clip) => clip.drive !== null),
  isMemoryStated: card.machine.memoryMib.source !== 'assumed',
  isProxyQualityStated: card.editor.proxyQualityRatio !== null,
});

/**
 * The base set-up that hypotheses are built on. The speed that test-plays measured is evidence like any other: taken for
 * the machine's own, it would hold a processor that is held back, or shared with others, for a slow one. That they saw
 * the graphics decode stands.
 */
export const baseStateOf = (card: JobCard): SetupState => deriveBaseState(card, []);
