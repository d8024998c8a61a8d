import { useOpenCard } from '../shell/card/use-open-card';
import { NumberField } from './NumberField';

/** How long the film is: what its opening and its export go by. */
export function FilmLengthField() {
  const { card, run } = useOpenCard();
  return (
    <NumberField
      label="Length of the film"
      unit="minutes"
      minValue={0}
      maxValue={10_000}
      fractionDigits={1}
      value={card.timeline.lengthMin}
      onChange={(lengthMin) => run({ type: 'setTimeline', input: { patch: { lengthMin } } })}
    />
  );
}
