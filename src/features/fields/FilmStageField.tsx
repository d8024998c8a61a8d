'use client';

import { type FilmStage, filmStages } from '@/core/card';
import { filmStageTexts } from '@/messages/interview';
import { SegmentedField } from '@/ui/SegmentedField';
import { useOpenCard } from '../shell/card/use-open-card';

const options = filmStages.map((value) => ({ value, label: filmStageTexts[value] }));

/** How far the film is: some fixes are for finished sections alone. */
export function FilmStageField() {
  const { card, run } = useOpenCard();
  return (
    <SegmentedField<FilmStage>
      label="How far is the film?"
      options={options}
      value={card.filmStage}
      onChange={(stage) => run({ type: 'setFilmStage', input: { stage } })}
    />
  );
}
