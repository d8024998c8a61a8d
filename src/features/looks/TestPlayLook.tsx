'use client';

import { isPlayable, type JobCard, testableClip } from '@/core/card';
import type { NextTest } from '@/core/diagnose';
import { describeWorth } from '@/messages/diagnosis';
import { formatMinutes } from '@/messages/format';
import { testPlayLook } from '@/messages/test-play';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/LinkButton';
import { Row, Soft } from '@/ui/layout';
import { useOpenCard } from '../shell/card/use-open-card';
import { LookBox } from './LookBox';

/** A look that Oil Can takes by itself: a clip read and decoded here, which measures the machine. */
export function TestPlayLook({ card, test }: { readonly card: JobCard; readonly test: NextTest }) {
  const { run } = useOpenCard();
  const clip = testableClip(card);
  if (!clip) return null;
  const canPlay = isPlayable(clip);
  const title = (canPlay ? testPlayLook.title : testPlayLook.titleOfReading)(clip.facts.fileName);
  const { id, level } = test;
  return (
    <LookBox>
      <h3>{title}</h3>
      <p>
        {canPlay ? testPlayLook.how : testPlayLook.howOfReading}{' '}
        <Soft>
          Takes {formatMinutes(test.minutes)}, {describeWorth(test)}.
        </Soft>
      </p>
      <Row>
        <LinkButton
          href={`/card/${encodeURIComponent(card.id)}/footage?clip=${encodeURIComponent(clip.id)}`}
          aria-label={`${testPlayLook.button}: ${clip.facts.fileName}`}
        >
          {testPlayLook.button}
        </LinkButton>
        <Button
          variant="quiet"
          aria-label={`Not now: ${title}`}
          onPress={() => run({ type: 'refuseTest', input: { test: { id, level } } })}
        >
          Not now
        </Button>
      </Row>
    </LookBox>
  );
}
