'use client';

import { useMemo } from 'react';
import styled from 'styled-components';
import { fixesInForce, type JobCard } from '@/core/card';
import { type Diagnosis, findRoomLeft, listWaysOfWorking } from '@/core/diagnose';
import { workOrder } from '@/core/fixes';
import { fixTitle } from '@/messages/fix-titles';
import { formatMinutes } from '@/messages/format';
import { describeRoom, describeWayGain, workOrderReasons } from '@/messages/working';
import { Disclosure } from '@/ui/Disclosure';
import { Row, Soft } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { colour, font } from '@/ui/tokens';
import { FixSteps } from '../looks/FixSteps';

const Item = styled.li`
  padding: 10px 0;
  border-top: 1px solid ${colour.line};
  &:first-child { border-top: 0; padding-top: 0; }
  h3 { font: 650 16.5px/1.3 ${font.heading}; }
`;

const Order = styled.ol`
  padding-left: 22px;
  list-style: decimal;
  li { padding: 3px 0; }
`;

/** The order of the work, from the first import to the last look; how to go about those steps of which nothing stands above. */
function WorkOrder({ told }: { readonly told: ReadonlySet<string> }) {
  return (
    <Sheet title="The order that stays light" aside="for any film">
      <Order>
        {workOrder.map((id) => (
          <li key={id}>
            <b>{fixTitle(id, null)}.</b> <Soft>{workOrderReasons[id]}</Soft>
            {!told.has(id) && (
              <Disclosure label="How">
                <FixSteps fixId={id} level={null} />
              </Disclosure>
            )}
          </li>
        ))}
      </Order>
    </Sheet>
  );
}

/** Habits that keep this project light: each with what it would bring here where that is a tenth or more, and their order. */
export function WaysOfWorking({ card, diagnosis }: { readonly card: JobCard; readonly diagnosis: Diagnosis }) {
  const { posterior } = diagnosis;
  const ways = useMemo(() => listWaysOfWorking(card, posterior, fixesInForce(card)), [card, posterior]);
  const room = useMemo(() => findRoomLeft(posterior, fixesInForce(card)), [card, posterior]);
  return (
    <>
      <Sheet title="A way of working that stays light" aside="for this timeline">
        {room && <Note kind="good">{describeRoom(room)}</Note>}
        {ways.length === 0 ? (
          <p>None of the habits that Oil Can knows would bring a tenth or more here.</p>
        ) : (
          <ul>
            {ways.map((way) => (
              <Item key={way.id}>
                <Row $isSpread>
                  <h3>{fixTitle(way.id, way.level)}</h3>
                  <b>{describeWayGain(way)}</b>
                </Row>
                <Disclosure label="How">
                  <FixSteps fixId={way.id} level={way.level} />
                </Disclosure>
                <Soft>Takes {formatMinutes(way.minutes)}.</Soft>
              </Item>
            ))}
          </ul>
        )}
      </Sheet>
      <WorkOrder told={new Set(ways.map(({ id }) => id))} />
    </>
  );
}
