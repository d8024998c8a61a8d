'use client';

import { memo, useMemo, useState } from 'react';
import styled from 'styled-components';
import { type CardProgram, smallProgramsId } from '@/core/card';
import { type ProgramPercent, percentOfCores } from '@/core/machine';
import { isProtected, isStillThere, type ProgramRole, programRoles, weightOf } from '@/core/programs';
import { formatCount, formatMemory, formatRate } from '@/messages/format';
import { describeCoreShare } from '@/messages/machine';
import {
  closeOutcomeTexts,
  describeDriveUse,
  describeGain,
  describeProgramCourse,
  roleTexts,
} from '@/messages/programs';
import { Button } from '@/ui/Button';
import { DataTable, TableFrame } from '@/ui/DataTable';
import { VisuallyHidden } from '@/ui/layout';
import { PlainCheck } from '@/ui/PlainCheck';
import { Tag } from '@/ui/Tag';
import { colour, font } from '@/ui/tokens';

const Table = styled(DataTable)`
  tbody th { min-width: 240px; }
  td:first-child { width: 38px; }
  small { display: block; font: 400 13.5px/1.35 ${font.text}; color: ${colour.inkSoft}; }
  th small { overflow-wrap: normal; }
  td[data-words] { text-align: right; white-space: nowrap; }
  tr[data-stays] th { font-weight: 400; }
`;
/** A role reads as the words beside it, and opens where it is pressed. */
const RoleButton = styled.button`
  padding: 0;
  border: 0;
  background: none;
  color: ${colour.enamel};
  font: inherit;
  font-weight: 600;
  cursor: pointer;
`;
/** The platform's own: there are dozens of rows, and one of them is open at a time. */
const RoleSelect = styled.select`
  min-height: 30px;
  margin-top: 2px;
  border: 1px solid ${colour.edge};
  border-radius: 4px;
  background: ${colour.card};
`;

interface RowProps {
  readonly program: CardProgram;
  readonly gainFps: number | null;
  readonly percentOf: ProgramPercent;
  readonly coreCount: number;
  readonly isRoleOpen: boolean;
  readonly onOpenRole: (id: string | null) => void;
  readonly onChoose: (id: string, isChosen: boolean) => void;
  readonly onRole: (id: string, role: ProgramRole) => void;
}

/** The system's own, what devices need, and small ones together are not offered. */
const stays = ({ role, id }: CardProgram): boolean => isProtected(role) || id === smallProgramsId;

/** "Show 3 more, and 8 that stay". */
function describeRest(rest: readonly CardProgram[]): string {
  const stayCount = rest.filter(stays).length;
  const offeredCount = rest.length - stayCount;
  if (offeredCount === 0) return `Show the ${stayCount} that stay`;
  return stayCount === 0 ? `Show ${offeredCount} more` : `Show ${offeredCount} more, and the ${stayCount} that stay`;
}

const ProgramRow = memo(function ProgramRow(props: RowProps) {
  const { program, gainFps, percentOf, coreCount, isRoleOpen, onOpenRole, onChoose, onRole } = props;
  const { id, name, role, busyCores, memoryMib, processCount, canClose, outcome } = program;
  const course = describeProgramCourse(program, percentOf, coreCount);
  const driveUse = describeDriveUse(program);
  const isSmall = id === smallProgramsId;
  const isKept = stays(program);
  const shownName = name || 'a program without a name';
  const { label, what } = roleTexts[role];
  return (
    <tr data-stays={isKept || undefined}>
      <td>
        {isKept ? (
          <VisuallyHidden>stays</VisuallyHidden>
        ) : (
          <PlainCheck
            label={`Close or pause ${shownName}`}
            isSelected={canClose === 'yes'}
            onChange={(isChosen) => onChoose(id, isChosen)}
          />
        )}
      </td>
      <th scope="row">
        {shownName}{' '}
        {outcome && <Tag kind={isStillThere(outcome) ? 'guess' : 'plain'}>{closeOutcomeTexts[outcome]}</Tag>}
        {isSmall ? (
          <small>each of them takes next to nothing</small>
        ) : isRoleOpen ? (
          <RoleSelect
            autoFocus
            aria-label={`What ${shownName} is`}
            value={role}
            onChange={(event) => {
              const chosen = programRoles.find((known) => known === event.target.value);
              if (chosen) onRole(id, chosen);
            }}
            onBlur={() => onOpenRole(null)}
          >
            {programRoles.map((known) => (
              <option key={known} value={known}>
                {roleTexts[known].label}
              </option>
            ))}
          </RoleSelect>
        ) : (
          <small>
            <RoleButton type="button" aria-label={`${label}: say what ${shownName} is`} onClick={() => onOpenRole(id)}>
              {label}
            </RoleButton>
            . {what}
          </small>
        )}
      </th>
      <td data-figure>
        {busyCores === null ? (
          '–'
        ) : (
          <>
            {formatRate(percentOfCores(busyCores, percentOf, coreCount))} %
            <small>{describeCoreShare(busyCores, percentOf, coreCount)}</small>
            {course && <small>{course}</small>}
          </>
        )}
      </td>
      <td data-figure>
        {memoryMib === null ? '–' : formatMemory(Math.round(memoryMib))}
        {processCount !== null && processCount > 1 && (
          <small>{formatCount(processCount, 'process', 'processes')}</small>
        )}
        {driveUse && <small>{driveUse}</small>}
      </td>
      <td data-words>{isKept ? 'stays' : gainFps === null ? '–' : describeGain(gainFps)}</td>
    </tr>
  );
});

interface ProgramTableProps {
  readonly programs: readonly CardProgram[];
  readonly gainById: ReadonlyMap<string, number>;
  readonly percentOf: ProgramPercent;
  readonly coreCount: number;
  readonly onChoose: (id: string, isChosen: boolean) => void;
  readonly onRole: (id: string, role: ProgramRole) => void;
}

const shownFirst = 10;

/** Those that may be closed come first, what brings most before what takes most; what stays comes after. */
const orderOf = (gainById: ReadonlyMap<string, number>) => (a: CardProgram, b: CardProgram) =>
  Number(stays(a)) - Number(stays(b)) ||
  (gainById.get(b.id) ?? 0) - (gainById.get(a.id) ?? 0) ||
  weightOf(b) - weightOf(a);

/** What runs, by programs, those that take most first; each with what it is, what it takes and what closing it would bring. */
export function ProgramTable({ programs, gainById, percentOf, coreCount, onChoose, onRole }: ProgramTableProps) {
  const [openId, setOpenId] = useState<string | null>(null);
  const [areAllShown, setAllShown] = useState(false);
  const setRole = (id: string, role: ProgramRole) => {
    setOpenId(null);
    onRole(id, role);
  };
  const ordered = useMemo(() => programs.toSorted(orderOf(gainById)), [programs, gainById]);
  const firstCount = Math.min(shownFirst, ordered.filter((program) => !stays(program)).length);
  const shown = areAllShown ? ordered : ordered.slice(0, firstCount);
  return (
    <>
      <TableFrame>
        <Table aria-label="What runs beside the editor">
          <thead>
            <tr>
              <th scope="col">
                <VisuallyHidden>Close or pause</VisuallyHidden>
              </th>
              <th scope="col">Program</th>
              <th scope="col" data-figure>
                Processor
              </th>
              <th scope="col" data-figure>
                Memory
              </th>
              <th scope="col" data-figure>
                Brings, a second
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.map((program) => (
              <ProgramRow
                key={program.id}
                program={program}
                gainFps={gainById.get(program.id) ?? null}
                percentOf={percentOf}
                coreCount={coreCount}
                isRoleOpen={program.id === openId}
                onOpenRole={setOpenId}
                onChoose={onChoose}
                onRole={setRole}
              />
            ))}
          </tbody>
        </Table>
      </TableFrame>
      {shown.length < programs.length && (
        <Button variant="quiet" onPress={() => setAllShown(true)}>
          {describeRest(ordered.slice(firstCount))}
        </Button>
      )}
    </>
  );
}
