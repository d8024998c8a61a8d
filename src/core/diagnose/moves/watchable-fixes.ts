import { type FixUse, fixesInForce, isSameFix, type JobCard, openTrial } from '../../card';
import { bringsCopies, fixCatalogue, isSwitchable } from '../../fixes';
import { keptState } from '../answer/findings';

/**
 * What somebody could switch to and fro while the preview is watched: the fix on trial alone where there is one; else the
 * one that comes next, and every preview setting at each of its levels that is not as it is already. Small copies only
 * once there are some.
 */
export function listWatchableFixes(card: JobCard, next: FixUse | null): readonly FixUse[] {
  const trial = openTrial(card);
  if (trial) return trial.direction === 'make' ? [trial.fix] : [];
  const state = keptState(card);
  const inForce = fixesInForce(card);
  const settings = fixCatalogue
    .filter(({ id }) => isSwitchable(id) && !card.editorProfile.lacks.includes(id))
    .flatMap((fix) => fix.levelsFor(state).map((level) => ({ id: fix.id, level })));
  return [...(next ? [next] : []), ...settings.filter((fix) => !(next && isSameFix(fix, next)))].filter(
    (fix) =>
      !inForce.some((other) => isSameFix(other, fix)) && (card.editor.proxies === 'made' || !bringsCopies(fix.id)),
  );
}
