'use client';

import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { CheckField } from '@/ui/CheckField';
import { Row } from '@/ui/layout';
import { font } from '@/ui/tokens';

const Group = styled.fieldset`
  border: 0;
  padding: 0;
  margin: 0;
  legend { padding: 0; margin-bottom: 6px; font: 650 16.5px/1.3 ${font.heading}; }
`;
const Columns = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 260px), 1fr));
  gap: 0 20px;
  margin-bottom: 12px;
`;

interface ManyAnswersProps<T extends string> {
  readonly question: ReactNode;
  readonly options: readonly T[];
  readonly texts: Readonly<Record<T, string>>;
  readonly chosen: readonly T[];
  readonly onChange: (chosen: readonly T[]) => void;
  readonly onGoOn: () => void;
  readonly onSkip: () => void;
}

/** A question with several answers at once; it stays until the person goes on. */
export function ManyAnswers<T extends string>(props: ManyAnswersProps<T>) {
  const { question, options, texts, chosen, onChange, onGoOn, onSkip } = props;
  const toggle = (option: T, isOn: boolean) =>
    onChange(
      isOn ? [...chosen.filter((other) => other !== option), option] : chosen.filter((other) => other !== option),
    );
  return (
    <Group>
      <legend>{question}</legend>
      <Columns>
        {options.map((option) => (
          <CheckField key={option} isSelected={chosen.includes(option)} onChange={(isOn) => toggle(option, isOn)}>
            {texts[option]}
          </CheckField>
        ))}
      </Columns>
      <Row>
        <Button variant="primary" onPress={onGoOn} isDisabled={chosen.length === 0}>
          Go on
        </Button>
        {chosen.length === 0 && (
          <Button variant="quiet" onPress={onSkip}>
            Don’t know
          </Button>
        )}
      </Row>
    </Group>
  );
}
