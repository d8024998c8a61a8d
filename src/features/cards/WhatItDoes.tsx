import styled from 'styled-components';
import { colour, font } from '@/ui/tokens';

const Picture = styled.figure`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto minmax(0, 1fr);
  align-items: start;
  gap: 8px 18px;
  margin: 0 0 18px;
  padding: 14px 18px;
  border: 1px solid ${colour.line};
  border-radius: 8px;
  background: ${colour.card};
  @media (max-width: 720px) { grid-template-columns: minmax(0, 1fr); }
`;
const Frame = styled.div`
  p { display: flex; justify-content: space-between; gap: 10px; font-size: 15px; }
  b { font-variant-numeric: tabular-nums; }
  small { color: ${colour.inkSoft}; font-size: 13.5px; }
`;
/** A frame's time against what a frame may take, which is the dashed line. */
const Bar = styled.div`
  position: relative;
  display: flex;
  height: 20px;
  margin-top: 6px;
  i { display: block; height: 100%; }
  &::after {
    content: '';
    position: absolute;
    left: 30%;
    top: -4px;
    bottom: -4px;
    border-left: 2px dashed ${colour.ink};
  }
`;
const Change = styled.p`
  font: 650 15px/1.3 ${font.heading};
  text-align: center;
  span { display: block; font-size: 20px; }
  @media (max-width: 720px) { text-align: left; }
`;

/** What Oil Can does, in one picture, for somebody who sees it for the first time. An example, not a reading. */
export function WhatItDoes() {
  return (
    <Picture aria-label="Example: a frame takes too long, one change is made, and the frame is in time">
      <Frame>
        <p>
          Each frame takes too long <b>6 of 25 shown</b>
        </p>
        <Bar>
          <i style={{ width: '14%', background: colour.enamel }} />
          <i style={{ width: '78%', background: colour.oil }} />
        </Bar>
        <small>dashed: as long as a frame may take</small>
      </Frame>
      <Change>
        <span aria-hidden="true">→</span>one change, measured
      </Change>
      <Frame>
        <p>
          In time again <b>25 of 25 shown</b>
        </p>
        <Bar>
          <i style={{ width: '14%', background: colour.enamel }} />
          <i style={{ width: '11%', background: colour.oil }} />
        </Bar>
      </Frame>
    </Picture>
  );
}
