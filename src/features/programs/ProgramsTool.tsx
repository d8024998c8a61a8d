'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import type { ReadList } from '@/adapters/shared/process-list/types';
import { fixesInForce, listChosen, openTrial, readingInForce, splitMemory } from '@/core/card';
import { forecastClosing } from '@/core/diagnose';
import { closesPrograms, closingFix } from '@/core/fixes';
import { isProtected, type ProcessRow, type ProgramRole } from '@/core/programs';
import { formatAgo, formatCount, formatFpsRange } from '@/messages/format';
import { describeCover, describeFreed, describeMachineSourceFailure } from '@/messages/programs';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { LinkButton } from '@/ui/LinkButton';
import { Row, Soft, Spaced } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { colour } from '@/ui/tokens';
import { useBeginTrial } from '../fixes/use-begin-trial';
import { Programs } from '../machine/Programs';
import { useBelief } from '../shell/answer/use-belief';
import { useOpenCard } from '../shell/card/use-open-card';
import { ToolPage } from '../shell/frame/ToolPage';
import { useNowMs } from '../shell/frame/use-now';
import { useNotify } from '../shell/notices/notices';
import { CleanUpResult } from './CleanUpCheck';
import { EditorQuestion } from './EditorQuestion';
import { ListPaste } from './ListPaste';
import { LiveLoad } from './LiveLoad';
import { MemorySplit } from './MemorySplit';
import { ProgramTable } from './ProgramTable';
import { useProgramRoles } from './use-program-roles';
import { useProgramSampling } from './use-program-sampling';

const Chosen = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px 18px;
  align-items: center;
  margin-top: 12px;
  padding-top: 12px;
  border-top: 1px dashed ${colour.line};
  p b { font-weight: 700; }
  @media (max-width: 720px) { grid-template-columns: 1fr; }
`;

/** What runs beside the editor: seen, understood, chosen from, and held against a second look. */
export function ProgramsTool() {
  const { card, run } = useOpenCard();
  const belief = useBelief();
  const { at, isSampling, failure, sample } = useProgramSampling();
  const roles = useProgramRoles();
  const notify = useNotify();
  const nowMs = useNowMs();
  const router = useRouter();
  const beginTrial = useBeginTrial();
  const [isPasting, setPasting] = useState(false);
  const { programs, programsSeen, machine } = card;
  const chosen = useMemo(() => listChosen(card), [card]);
  const forecast = useMemo(
    () =>
      forecastClosing(
        card,
        belief,
        chosen.map(({ id }) => id),
      ),
    [card, belief, chosen],
  );
  const take = (rows: readonly ProcessRow[], seen: Omit<NonNullable<typeof programsSeen>, 'takenAtMs'>) => {
    const before = { programs, programsSeen, programsCheck: card.programsCheck };
    const taken = run({
      type: 'takePrograms',
      input: { rows, seen: { ...seen, takenAtMs: Date.now() }, roles: roles() },
    });
    if (!taken.ok) return;
    setPasting(false);
    notify({
      kind: 'info',
      text: `Took ${formatCount(rows.length, 'process', 'processes')} as ${formatCount(taken.value.programs.length, 'program')}.`,
      action: { label: 'Undo', run: () => run({ type: 'restorePrograms', input: before }) },
    });
  };
  const sampleNow = async () => {
    const now = await sample();
    if (now) take(now.rows, { source: 'read', coversSec: now.coversSec, memoryFreeMib: Math.round(now.memoryFreeMib) });
  };
  const takeList = (list: ReadList) =>
    take(list.rows, { source: 'imported', coversSec: list.coversSec, memoryFreeMib: null });
  const choose = (id: string, isChosen: boolean) =>
    run({ type: 'updateProgram', input: { id, patch: { canClose: isChosen ? 'yes' : 'no' } } });
  const setRole = (id: string, role: ProgramRole) =>
    run({ type: 'updateProgram', input: { id, patch: { role, canClose: isProtected(role) ? 'no' : 'unknown' } } });
  const trial = openTrial(card);
  const isClosed = fixesInForce(card).some(({ id }) => closesPrograms(id));
  const begin = () => {
    if (beginTrial(closingFix)) router.push(`/card/${encodeURIComponent(card.id)}/fixes`);
  };
  const hasReading = readingInForce(card) !== null;
  const freedCores = chosen.reduce((sum, { busyCores }) => sum + (busyCores ?? 0), 0);
  const freedMib = chosen.reduce((sum, { memoryMib }) => sum + (memoryMib ?? 0), 0);
  const listed = programs.filter(({ role }) => role !== 'editor');
  const lookWords = at === 'practice' ? 'Look at the practice machine' : 'Look at this computer';
  return (
    <ToolPage
      title="Programs"
      lead="What else takes the machine while you edit; close or pause it, and see what that brings."
    >
      <Sheet
        title={programsSeen ? 'What was seen' : 'See what runs'}
        aside={
          programsSeen && nowMs !== null
            ? describeCover(programsSeen.coversSec, formatAgo(programsSeen.takenAtMs, nowMs))
            : 'with the editor open, and nothing playing'
        }
      >
        <Row>
          {at && (
            <Button variant={programsSeen ? 'plain' : 'primary'} onPress={sampleNow} isDisabled={isSampling}>
              {isSampling ? 'Looking…' : programsSeen ? 'Look again from the start' : lookWords}
            </Button>
          )}
          <Button variant={at || programsSeen ? 'quiet' : 'primary'} onPress={() => setPasting(!isPasting)}>
            {isPasting ? 'Put it away' : at ? 'The computer that lags is another one' : 'Paste a list'}
          </Button>
        </Row>
        {failure && (
          <Spaced $abovePx={12}>
            <Note kind="alarm">{describeMachineSourceFailure(failure)}</Note>
          </Spaced>
        )}
        {isPasting && (
          <Spaced $abovePx={12}>
            <ListPaste onList={takeList} />
          </Spaced>
        )}
      </Sheet>
      {programsSeen && <EditorQuestion />}
      {listed.length > 0 && (
        <Sheet
          title="What runs beside the editor"
          aside={
            isClosed ? 'the chosen ones are closed' : `${chosen.length} of ${listed.length} chosen to close or pause`
          }
        >
          <MemorySplit split={splitMemory(card)} label="How memory is split" />
          {card.programsCheck && (
            <Spaced $abovePx={12}>
              <CleanUpResult card={card} />
            </Spaced>
          )}
          <Spaced $abovePx={12}>
            <ProgramTable
              programs={listed}
              gainById={forecast.gainById}
              percentOf={machine.programPercent.value}
              coreCount={machine.coreCount.value}
              onChoose={choose}
              onRole={setRole}
            />
          </Spaced>
          <Chosen role="status">
            <p>
              {chosen.length === 0 ? (
                <Soft>Tick what you can do without while you edit.</Soft>
              ) : (
                <>
                  <b>{describeFreed(freedCores, freedMib)}</b> would come free: {formatFpsRange(forecast.before)} →{' '}
                  <b>{formatFpsRange(forecast.after)}</b> a second.
                </>
              )}
            </p>
            {trial || isClosed ? (
              <LinkButton href={`/card/${encodeURIComponent(card.id)}/fixes`}>To the fixes</LinkButton>
            ) : hasReading ? (
              <Button
                variant={chosen.length > 0 ? 'primary' : 'plain'}
                isDisabled={chosen.length === 0}
                onPress={begin}
              >
                Close them and measure
              </Button>
            ) : (
              <LinkButton href={`/card/${encodeURIComponent(card.id)}/meter`}>Take a first reading</LinkButton>
            )}
          </Chosen>
        </Sheet>
      )}
      <LiveLoad />
      <Disclosure label="Add or change programs by hand">
        <Programs />
      </Disclosure>
    </ToolPage>
  );
}
