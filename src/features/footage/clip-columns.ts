import {
  columnResizingFeature,
  columnSizingFeature,
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
} from '@tanstack/react-table';
import type { ClipRow } from '@/core/diagnose';

/** What the clip table can do; nothing else of the table package is bundled. */
export const clipTableFeatures = tableFeatures({
  rowSortingFeature,
  columnSizingFeature,
  columnResizingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
});

const helper = createColumnHelper<typeof clipTableFeatures, ClipRow>();

const durationOf = ({ facts }: ClipRow): number | undefined => (facts.kind === 'still' ? undefined : facts.durationMs);

/** Columns in order; sizes in pixels until a person changes them. Clips without a figure stand last either way. */
export const clipColumns = helper.columns([
  helper.accessor((row) => row.facts.fileName, {
    id: 'name',
    header: 'Clip',
    size: 284,
    minSize: 120,
    sortFn: 'alphanumeric',
  }),
  helper.accessor((row) => row.traits.length, {
    id: 'traits',
    header: 'Stands out',
    size: 134,
    minSize: 80,
    sortFn: 'basic',
  }),
  helper.accessor(durationOf, {
    id: 'length',
    header: 'Length',
    size: 62,
    minSize: 54,
    sortFn: 'basic',
    sortUndefined: 'last',
  }),
  helper.accessor((row) => (row.facts.kind === 'video' ? row.facts.bitrateMbitPerSec : undefined), {
    id: 'bitrate',
    header: 'Mbit/s',
    size: 62,
    minSize: 54,
    sortFn: 'basic',
    sortUndefined: 'last',
  }),
  helper.accessor((row) => row.cost?.ownMs, {
    id: 'own',
    header: 'Frame, ms',
    size: 100,
    minSize: 66,
    sortFn: 'basic',
    sortUndefined: 'last',
  }),
  helper.accessor((row) => row.cost?.scrubMs, {
    id: 'scrub',
    header: 'Playhead move',
    size: 76,
    minSize: 60,
    sortFn: 'basic',
    sortUndefined: 'last',
  }),
]);

/** Columns whose cells are figures: right-aligned, in even digits. */
export const isFigureColumn = (id: string): boolean => id !== 'name' && id !== 'traits';
