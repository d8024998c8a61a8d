import type { JobCard, LagKind } from '../../card';
import type { FixId } from '../../fixes';

/** A complaint that is no preview lag: one telling question, and what to do by its answer. */
export interface SideLead {
  readonly kind: LagKind;
  /** Fixes where the telling question is answered yes, and where no; best first. */
  readonly ifYes: readonly FixId[];
  readonly ifNo: readonly FixId[];
}

/** The question of each is in messages/side-complaints, under the same name. */
const leads: readonly SideLead[] = [
  // Does it crash when memory runs full?
  {
    kind: 'crashing',
    ifYes: ['give-editor-memory', 'close-programs', 'split-timeline'],
    ifNo: ['update-software', 'turn-off-graphics-drawing', 'reset-editor'],
  },
  // Do other projects open?
  {
    kind: 'will-not-open',
    ifYes: ['split-timeline', 'clear-cache', 'import-less'],
    ifNo: ['update-software', 'reset-editor', 'reinstall-editor'],
  },
  // Is the picture there when drawing on the graphics is off?
  {
    kind: 'black-picture',
    ifYes: ['turn-off-graphics-drawing', 'update-software'],
    ifNo: ['turn-off-hardware-decode', 'convert-footage'],
  },
  // Does the clip have an uneven frame rate?
  { kind: 'sound-apart-from-start', ifYes: ['convert-footage'], ifNo: ['match-project-to-clips', 'update-software'] },
  // Is the processor at its limit while exporting?
  {
    kind: 'export-slow',
    ifYes: ['faster-export-settings', 'render-in-parts', 'close-programs'],
    ifNo: ['move-media', 'move-cache', 'turn-on-hardware-decode'],
  },
];

/** The leads of what a card complains of beside a lagging preview. */
export const listSideLeads = (card: JobCard): readonly SideLead[] =>
  leads.filter((lead) => card.symptoms.kinds.includes(lead.kind));
