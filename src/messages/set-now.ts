import { fixesInForce, type JobCard, levelOfRatio, ownNameOf } from '@/core/card';
import { bringsCopies, previewFixIds, qualityRatioOf } from '@/core/fixes';

/**
 * How the preview is set now, shortest first: its quality and height, whether proxies, effects and the graphics' decoder are in use.
 * What is in force counts before what the card says of the time before any fix; what nobody knows is left out.
 */
export function listSetNow(card: JobCard): readonly string[] {
  const inForce = fixesInForce(card);
  const has = (id: string): boolean => inForce.some((fix) => fix.id === id);
  const levelOf = (id: string) => inForce.findLast((fix) => fix.id === id)?.level ?? null;
  const ratio = qualityRatioOf(levelOf(previewFixIds.quality)) ?? card.preview.qualityRatio;
  const heightPx = levelOf(previewFixIds.height) ?? card.preview.heightPx;
  const hasProxies = inForce.some(({ id }) => bringsCopies(id)) || card.editor.proxies === 'shown';
  const decoding = has('turn-on-hardware-decode')
    ? 'yes'
    : has('turn-off-hardware-decode')
      ? 'no'
      : card.preview.hardwareDecode;
  return [
    `quality ${ownNameOf(card.editorProfile, ratio) ?? (ratio === 1 ? 'full' : levelOfRatio(ratio))}`,
    ...(heightPx === null ? [] : [`${heightPx} high`]),
    ...(hasProxies ? ['proxies shown'] : []),
    ...(has('bypass-effects') || has('effects-last') ? ['effects off'] : []),
    ...(decoding === 'yes' ? ['decoded by the graphics'] : decoding === 'no' ? ['decoded by the processor'] : []),
  ];
}
