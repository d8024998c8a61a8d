import type { infer as InferSchema } from 'zod/mini';
import type {
  correctableFields,
  editorAttachWays,
  filmStages,
  firstThingIds,
  jobCardSchema,
  lagKinds,
  lagMoments,
  placeIds,
  playFeels,
  proxyStates,
  readingMoments,
  scrubFeels,
  statedTimelineFields,
  stepIds,
} from './schema';

export type PlaceId = (typeof placeIds)[number];
export type FirstThingId = (typeof firstThingIds)[number];
export type LagMoment = (typeof lagMoments)[number];
export type LagKind = (typeof lagKinds)[number];
export type PlayFeel = (typeof playFeels)[number];
export type ReadingMoment = (typeof readingMoments)[number];
export type ProxyState = (typeof proxyStates)[number];
export type ScrubFeel = (typeof scrubFeels)[number];
export type FilmStage = (typeof filmStages)[number];
export type StatedTimelineField = (typeof statedTimelineFields)[number];
export type StepId = (typeof stepIds)[number];
export type CorrectableField = (typeof correctableFields)[number];

type Immutable<T> = T extends readonly (infer Item)[]
  ? readonly Immutable<Item>[]
  : T extends object
    ? { readonly [Key in keyof T]: Immutable<T[Key]> }
    : T;

/** One laggy project on one machine: everything known, measured and changed. Its fields are described in the schema. */
export type JobCard = Immutable<InferSchema<typeof jobCardSchema>>;

export type CardMachine = JobCard['machine'];
/** How the person's editor is set up, before any fix. */
export type CardEditor = JobCard['editor'];
export type CardProgram = JobCard['programs'][number];
/** When and how what runs was looked at. */
export type ProgramsSeen = NonNullable<JobCard['programsSeen']>;
/** A drive, and what lies on it. */
export type CardDrive = JobCard['drives'][number];
export type CardClip = JobCard['clips'][number];
/** What a browser says of decoding a clip in hardware. Accepting is a preference, not a proof. */
export type BrowserAnswer = NonNullable<CardClip['browserAnswer']>;
export type CardTimeline = JobCard['timeline'];
export type CardEffect = CardTimeline['effects'][number];
export type CardPreview = JobCard['preview'];
/** A fix at a level; levels are words or numbers, null for a fix that has none. */
export type FixUse = JobCard['refused'][number];
export type Reading = JobCard['readings'][number];
/** What the lag meter found, as it is kept. */
export type MeasuredReading = NonNullable<Reading['measured']>;
/** Stutters that a person tapped or counted. */
export type TappedReading = NonNullable<Reading['tapped']>;
export type Trial = JobCard['trials'][number];
/** What the person's editor can do, in their own words. */
export type EditorProfile = JobCard['editorProfile'];
export type EditorAttachWay = (typeof editorAttachWays)[number];
/** What an earlier card taught of this machine or editor. */
export type Lesson = JobCard['lessons'][number];
/** A named group of preview fixes to switch to while working. */
export type WorkingSet = JobCard['workingSets'][number];
/** What is asked and ticked before export beside the put-back list. */
export type ExportCheckState = JobCard['exportCheck'];
/** An answer to a question that tells causes apart; `questionId` and `answer` are the catalogue's. */
export type CardAnswer = JobCard['answers'][number];
/** How much a cache of the editor holds and may hold, in decimal gigabytes; null where nobody looked. */
export type CacheRoom = JobCard['cache'];
/** A small copy of a clip, as its file is. */
export type CardProxy = JobCard['proxies'][number];
