import { type FixId, findFixFacts } from './fix-facts';

/** Fixes that change the look of the film, so that its colours cannot be judged while they are in force. */
const lookChangingIds: ReadonlySet<string> = new Set<FixId>([
  'bypass-effects',
  'weaken-effects',
  'stop-blending',
  'solo-track',
  'lower-working-depth',
  'cheaper-colour-conversion',
  'lower-raw-decode',
  'simpler-3d-drawing',
]);

/** Whether colours and effects cannot be judged while a fix is in force. */
export const changesLook = (id: string): boolean => lookChangingIds.has(id);

const generalRemedyIds: ReadonlySet<string> = new Set<FixId>([
  'close-programs',
  'raise-power-mode',
  'update-software',
  'use-more-threads',
  'reset-editor',
  'turn-off-panel-acceleration',
  'turn-off-hardware-decode',
  'turn-off-graphics-drawing',
]);

/** Whether a fix now and then helps where nothing that is known explains what is read, and costs the picture nothing. */
export const isGeneralRemedy = (id: string): boolean => generalRemedyIds.has(id);

/** Closing what may be closed now. */
export const closingFix = { id: 'close-programs', level: 'all' } as const satisfies {
  readonly id: FixId;
  readonly level: string;
};

const closingIds: ReadonlySet<string> = new Set<FixId>([closingFix.id, 'stop-startup-programs']);

/** Whether a fix takes programs away. */
export const closesPrograms = (id: string): boolean => closingIds.has(id);

const proxyMakingIds: ReadonlySet<string> = new Set<FixId>(['make-proxies']);

/** Whether a fix makes proxies of clips that are there: what Oil Can does itself. */
export const makesProxies = (id: string): boolean => proxyMakingIds.has(id);

const renderingIds: ReadonlySet<string> = new Set<FixId>(['prerender-range', 'prerender-when-idle']);

/** Whether a fix is a habit of working rather than a setting: how a project is built, and rendering its heavy parts. */
export const isWayOfWorking = (id: string): boolean =>
  findFixFacts(id)?.group === 'way-of-working' || renderingIds.has(id);

/** Making several projects of one. */
export const splittingId = 'split-timeline' satisfies FixId;
/** A film longer than this weighs by its length, whatever its clips are. Assumption. */
const longFilmMin = 20;
export const isLongFilm = ({ lengthMin }: { readonly lengthMin: number | null }): boolean =>
  lengthMin !== null && lengthMin > longFilmMin;

const finishedIds: ReadonlySet<string> = new Set<FixId>(['bake-section', splittingId, 'render-in-parts']);

/** Whether a fix is for a section or a film that is finished: while it is still being cut, it would be made again and again. */
export const isForFinished = (id: string): boolean => finishedIds.has(id);

/** What is done first keeps what comes after it small: the order in which a film stays light to edit. */
export const workOrder = ['import-less', 'trim-first', 'effects-last'] as const satisfies readonly FixId[];
