'use client';

import styled from 'styled-components';
import type { JobCard, PutBackLine } from '@/core/card';
import { closesPrograms, findFix } from '@/core/fixes';
import { isPaused } from '@/core/programs';
import { exportsApart } from '@/messages/editor';
import { fixTitle } from '@/messages/fix-titles';
import { fixTexts } from '@/messages/fixes';
import { describeResume } from '@/messages/programs';
import { CheckField } from '@/ui/CheckField';
import { colour } from '@/ui/tokens';
import { useOpenCard } from '../shell/card/use-open-card';

const Line = styled.li`
  padding: 8px 0;
  border-top: 1px solid ${colour.line};
  break-inside: avoid;
  &:first-child { border-top: 0; }
  small { display: block; font-size: 14.5px; color: ${colour.inkSoft}; }
  &[data-done] .what { text-decoration: line-through; color: ${colour.inkSoft}; }
`;

/** What was paused by name, where a list says it. */
const namePaused = ({ programs }: JobCard): string | null => {
  const paused = programs.filter(({ canClose, role }) => canClose === 'yes' && isPaused(role)).map(({ name }) => name);
  return paused.length === 0 ? null : describeResume(paused);
};

const textOf = ({ fix, isOnlyALook }: PutBackLine, card: JobCard) => {
  const known = findFix(fix.id);
  const named = closesPrograms(fix.id) ? namePaused(card) : null;
  const text = (known && fixTexts[known.id].putBack) ?? { what: fixTitle(fix.id, fix.level), why: '', seen: '' };
  if (isOnlyALook) return { what: `${fixTitle(fix.id, fix.level)}: may stay`, why: exportsApart, seen: text.seen };
  return named === null ? text : { ...text, what: named };
};

/** Lines of the put-back list: what, why, and how to see that it is done. */
export function PutBackLines({ lines }: { readonly lines: readonly PutBackLine[] }) {
  const { card, run } = useOpenCard();
  const tick = ({ key, trial }: PutBackLine, isDone: boolean) =>
    trial
      ? run({ type: 'tickPutBack', input: { trialId: trial.id, isDone } })
      : run({ type: 'tickExportLine', input: { key, isDone } });
  return (
    <ul>
      {lines.map((line) => {
        const { what, why, seen } = textOf(line, card);
        return (
          <Line key={line.key} data-done={line.isDone || undefined}>
            <CheckField isSelected={line.isDone} onChange={(isDone) => tick(line, isDone)}>
              <span className="what">{what}</span>
              <small>
                {!line.isOnlyALook &&
                  `${line.trial ? 'Kept' : 'In the working set'}: ${fixTitle(line.fix.id, line.fix.level)}. `}
                {why}
              </small>
              {seen !== '' && <small>Done when: {seen}</small>}
            </CheckField>
          </Line>
        );
      })}
    </ul>
  );
}
