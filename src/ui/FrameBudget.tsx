'use client';

import styled from 'styled-components';
import { VisuallyHidden } from './layout';
import { type ColourName, colour, font } from './tokens';

export interface BudgetStage {
  readonly id: string;
  readonly label: string;
  readonly ms: number;
  readonly colour: ColourName;
}

export interface BudgetLane {
  readonly id: string;
  readonly label: string;
  readonly stages: readonly BudgetStage[];
}

interface FrameBudgetProps {
  readonly lanes: readonly BudgetLane[];
  readonly budgetMs: number;
  /** Writes milliseconds as they stand beside the bars and along the ruler. */
  readonly formatMs: (ms: number) => string;
  readonly size?: 'full' | 'small';
}

const Frame = styled.figure`
  position: relative;
  margin: 28px 0 14px;
  padding: 0 56px 0 74px;
  &[data-size='small'] { margin: 8px 0 0; padding: 0 34px 0 62px; font-size: 13px; }
  @media (max-width: 480px) { padding: 0 40px 0 66px; }
`;
const Row = styled.div`
  position: relative;
  height: 24px;
  margin-bottom: 7px;
  display: flex;
  [data-size='small'] & { height: 12px; margin-bottom: 7px; }
`;
const LaneName = styled.span`
  position: absolute;
  right: calc(100% + 8px);
  width: 62px;
  top: 1px;
  font-size: 14.5px;
  color: ${colour.inkSoft};
  [data-size='small'] & { font-size: 13px; top: -4px; width: 54px; }
`;
const LaneMs = styled.span`
  position: absolute;
  left: calc(100% + 6px);
  width: 48px;
  text-align: right;
  top: 2px;
  font: 14px/20px ${font.mono};
  &[data-over] { color: ${colour.alarm}; font-weight: 700; }
  [data-size='small'] & { top: -4px; width: 28px; font-size: 13px; }
`;
const Segment = styled.i`
  position: relative;
  flex: none;
  height: 100%;
  overflow: hidden;
  padding-left: 7px;
  font: 600 13px/24px ${font.text};
  color: ${colour.onStage};
  white-space: nowrap;
  transition: width 200ms ease-out;
  &:first-of-type { border-radius: 3px 0 0 3px; }
  &:last-of-type { border-radius: 0 3px 3px 0; }
`;
/** What is past the deadline is hatched over the whole lane, whichever stage it belongs to. */
const Over = styled.b`
  position: absolute;
  top: 0;
  bottom: 0;
  pointer-events: none;
  background: repeating-linear-gradient(135deg, rgb(255 255 255 / 0.38) 0 3px, transparent 3px 8px);
  transition: left 200ms ease-out, width 200ms ease-out;
`;
const Deadline = styled.div`
  position: absolute;
  top: -8px;
  bottom: 18px;
  z-index: 1;
  width: 2px;
  background: ${colour.ink};
  transition: left 200ms ease-out;
  > span { position: absolute; top: -17px; left: 0; font-size: 13.5px; font-weight: 650; white-space: nowrap; }
  [data-size='small'] & { top: -3px; bottom: 4px; }
`;
const Plot = styled.div`
  position: relative;
`;
const Ruler = styled.div`
  position: relative;
  height: 18px;
  border-top: 1px solid ${colour.inkSoft};
  font: 13px/16px ${font.mono};
  color: ${colour.inkSoft};
  > span { position: absolute; top: 4px; transform: translateX(-50%); white-space: nowrap; }
  > span::before { content: ''; position: absolute; left: 50%; top: -4px; height: 4px; width: 1px; background: ${colour.inkSoft}; }
`;
const Legend = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin-top: 10px;
  font-size: 14px;
  color: ${colour.inkSoft};
  li { display: inline-flex; align-items: center; gap: 6px; }
  li > i { width: 12px; height: 12px; border-radius: 2px; }
`;
/** Ends of rulers: 1, 2 or 5 times a power of ten, in at most six parts. */
function rulerOf(longestMs: number): { readonly endMs: number; readonly stepMs: number } {
  const raw = longestMs / 6;
  const power = 10 ** Math.floor(Math.log10(raw));
  const stepMs = [1, 2, 5, 10].map((factor) => factor * power).find((step) => step >= raw) ?? 10 * power;
  return { stepMs, endMs: stepMs * Math.ceil(longestMs / stepMs) };
}

const totalOf = (lane: BudgetLane): number => lane.stages.reduce((sum, stage) => sum + stage.ms, 0);

/**
 * The frame budget as a ruler: one bar a lane, milliseconds along the bottom, the deadline a firm line, what is
 * past it hatched. The same figures stand in a table for those who do not see it.
 */
export function FrameBudget({ lanes, budgetMs, formatMs, size = 'full' }: FrameBudgetProps) {
  const longestMs = Math.max(budgetMs * 1.15, ...lanes.map(totalOf));
  const { endMs, stepMs } = rulerOf(longestMs);
  const percent = (ms: number): string => `${(100 * ms) / endMs}%`;
  const ticks = Array.from({ length: Math.round(endMs / stepMs) + 1 }, (_, i) => i * stepMs);
  const drawn = lanes.flatMap((lane) => lane.stages).filter((stage) => stage.ms > 0);
  return (
    <Frame data-size={size}>
      <Plot aria-hidden="true">
        <Deadline style={{ left: `calc(${percent(budgetMs)} - 1px)` }}>
          {size === 'full' && <span>{formatMs(budgetMs)} ms a frame</span>}
        </Deadline>
        {lanes.map((lane) => {
          const totalMs = totalOf(lane);
          const isOver = totalMs > budgetMs;
          return (
            <Row key={lane.id}>
              <LaneName>{lane.label}</LaneName>
              {lane.stages.map((stage) => (
                <Segment
                  key={stage.id}
                  style={{
                    width: percent(stage.ms),
                    paddingLeft: stage.ms / endMs > 0.09 && size === 'full' ? 7 : 0,
                    background: colour[stage.colour],
                  }}
                >
                  {size === 'full' && stage.ms / endMs > 0.09 ? stage.label : ''}
                </Segment>
              ))}
              {isOver && <Over style={{ left: percent(budgetMs), width: percent(totalMs - budgetMs) }} />}
              <LaneMs data-over={isOver || undefined}>{formatMs(totalMs)}</LaneMs>
            </Row>
          );
        })}
        {size === 'full' && (
          <Ruler>
            {ticks.map((ms, i) => (
              <span key={ms} style={{ left: percent(ms) }}>
                {formatMs(ms)}
                {i === ticks.length - 1 ? ' ms' : ''}
              </span>
            ))}
          </Ruler>
        )}
      </Plot>
      {size === 'full' && (
        <Legend aria-hidden="true">
          {drawn.map((stage) => (
            <li key={stage.id}>
              <i style={{ background: colour[stage.colour] }} />
              {stage.label} {formatMs(stage.ms)}
            </li>
          ))}
        </Legend>
      )}
      <VisuallyHidden as="div">
        <table>
          <caption>Frame budget: {formatMs(budgetMs)} milliseconds a frame</caption>
          <tbody>
            {lanes.flatMap((lane) =>
              lane.stages.map((stage) => (
                <tr key={stage.id}>
                  <th scope="row">
                    {lane.label}, {stage.label}
                  </th>
                  <td>{formatMs(stage.ms)} milliseconds</td>
                </tr>
              )),
            )}
          </tbody>
        </table>
      </VisuallyHidden>
    </Frame>
  );
}
