'use client';

import { useState } from 'react';
import { isSuggested, type ProxyCandidate } from '@/core/fixes';
import { rationalToNumber } from '@/core/numbers/rational';
import type { ProxyOriginal } from '@/core/proxies';
import { nameCodec } from '@/messages/clip-facts';
import { formatBytes, formatCount, formatDuration, formatMinutes, formatRate } from '@/messages/format';
import { cannotBeMadeHere, describeVerdict } from '@/messages/proxies';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { Row, Soft, Spaced, VisuallyHidden } from '@/ui/layout';
import { PlainCheck } from '@/ui/PlainCheck';
import { SecondLine } from '@/ui/SecondLine';
import { type ChoiceEvent, codecOf, idsAbove, idsOfCodec } from './choice-state';

const shownFirst = 12;

interface ClipChoiceProps {
  readonly candidates: readonly ProxyCandidate[];
  readonly chosenIds: ReadonlySet<string>;
  /** Clips that this browser does not decode, so that nothing can be made of them here. */
  readonly unreadableIds: ReadonlySet<string>;
  /** Clips that are in the queue. */
  readonly inHandIds: ReadonlySet<string>;
  readonly onEvent: (event: ChoiceEvent) => void;
}

/** "H.264, 25 a second, 0:42", "a still". */
const describeOriginal = (facts: ProxyOriginal): string =>
  facts.kind === 'still'
    ? 'a still'
    : `${nameCodec(facts.codec)}, ${formatRate(rationalToNumber(facts.frameRate))} a second, ${formatDuration(facts.durationMs)}`;

/** A clip of a few seconds, or a still, is no matter of minutes. */
const describeMaking = (minutes: number): string => (minutes < 0.5 ? 'seconds' : formatMinutes(Math.max(1, minutes)));

/** Simple ways to choose many clips at once, as many of them as make a difference here. */
function QuickChoices({ candidates, onEvent }: Pick<ClipChoiceProps, 'candidates' | 'onEvent'>) {
  const codecs = [...new Set(candidates.map(({ facts }) => codecOf(facts)))];
  const hasBoth = (ids: readonly string[]): boolean => ids.length > 0 && ids.length < candidates.length;
  // Two heights that choose the same clips are one.
  const tall = [2160, 1440, 1080].filter(
    (lines, i, all) =>
      hasBoth(idsAbove(candidates, lines)) &&
      idsAbove(candidates, lines).length !== idsAbove(candidates, all[i - 1] ?? Number.POSITIVE_INFINITY).length,
  );
  return (
    <Row $isClose>
      <Soft>Choose</Soft>
      <Button variant="quiet" onPress={() => onEvent({ type: 'suggested' })}>
        The suggested ones
      </Button>
      {tall.map((lines) => (
        <Button
          key={lines}
          variant="quiet"
          onPress={() => onEvent({ type: 'picked', clipIds: idsAbove(candidates, lines) })}
        >
          {lines} lines and more
        </Button>
      ))}
      {codecs.length > 1 &&
        codecs.slice(0, 3).map((codec) => (
          <Button
            key={codec}
            variant="quiet"
            onPress={() => onEvent({ type: 'picked', clipIds: idsOfCodec(candidates, codec) })}
          >
            All {codec === 'still' ? 'stills' : nameCodec(codec)}
          </Button>
        ))}
      <Button variant="quiet" onPress={() => onEvent({ type: 'picked', clipIds: [] })}>
        None
      </Button>
    </Row>
  );
}

/** The clips of the card, those that suffer most first, each with why it should have a proxy or needs none. */
export function ClipChoice({ candidates, chosenIds, unreadableIds, inHandIds, onEvent }: ClipChoiceProps) {
  const [isAll, setAll] = useState(false);
  // What is chosen is seen, wherever in the list it stands.
  const shown = isAll
    ? candidates
    : candidates.filter(({ clip }, i) => i < shownFirst || chosenIds.has(clip.id)).slice(0, 3 * shownFirst);
  return (
    <>
      <QuickChoices candidates={candidates} onEvent={onEvent} />
      <Spaced $abovePx={12}>
        <TableFrame>
          <DataTable aria-label="Clips that could have a proxy">
            <thead>
              <tr>
                <th scope="col">
                  <VisuallyHidden>Make a proxy of it</VisuallyHidden>
                </th>
                <th scope="col">Clip</th>
                <th scope="col" data-figure>
                  Original
                </th>
                <th scope="col" data-figure>
                  Proxy
                </th>
                <th scope="col" data-figure>
                  Making it
                </th>
              </tr>
            </thead>
            <tbody>
              {shown.map((candidate) => {
                const { clip, facts, proxyBytes, minutes, verdict } = candidate;
                const isUnreadable = unreadableIds.has(clip.id);
                const isInHand = inHandIds.has(clip.id);
                const canBe = verdict !== 'small' && !isUnreadable && !isInHand;
                return (
                  <tr key={clip.id}>
                    <td>
                      {canBe && (
                        <PlainCheck
                          label={`Make a proxy of ${facts.fileName}`}
                          isSelected={chosenIds.has(clip.id)}
                          onChange={(isTicked) => onEvent({ type: 'ticked', candidates, id: clip.id, isTicked })}
                        />
                      )}
                    </td>
                    <th scope="row">
                      {facts.fileName}
                      <SecondLine data-strong={isSuggested(candidate) || undefined}>
                        {isInHand
                          ? 'is being made'
                          : isUnreadable && isSuggested(candidate)
                            ? `${describeVerdict(candidate)}; ${cannotBeMadeHere}`
                            : describeVerdict(candidate)}
                      </SecondLine>
                    </th>
                    <td data-figure>
                      {facts.widthPx} × {facts.heightPx}
                      <SecondLine>{describeOriginal(facts)}</SecondLine>
                    </td>
                    <td data-figure>{canBe ? formatBytes(proxyBytes) : '–'}</td>
                    <td data-figure>{canBe ? describeMaking(minutes) : '–'}</td>
                  </tr>
                );
              })}
            </tbody>
          </DataTable>
        </TableFrame>
      </Spaced>
      {candidates.length > shown.length && (
        <Button variant="quiet" onPress={() => setAll(true)}>
          Show {formatCount(candidates.length - shown.length, 'more clip')}
        </Button>
      )}
    </>
  );
}
