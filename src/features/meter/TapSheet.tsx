'use client';

import { Hand } from 'lucide-react';
import { useState } from 'react';
import type { TappedReading } from '@/core/card';
import { summarisePresses } from '@/core/meter';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { FieldGrid, Paragraph, Row, Soft } from '@/ui/layout';
import { Note } from '@/ui/Note';
import { Sheet } from '@/ui/Sheet';
import { NumberField } from '../fields/NumberField';
import { usePadWindow } from '../shell/frame/use-pad-window';
import { TapPad } from './TapPad';

const lengthMs = 20_000;

/** What was counted by eye; nulls where nothing stands yet. */
interface Counted {
  readonly stutterCount: number | null;
  readonly overSec: number | null;
}

/** Taps along with the preview in a small window of its own; the count by eye for editors that stop without focus. */
export function TapSheet({ onTapped }: { readonly onTapped: (tapped: TappedReading) => void }) {
  const { pad, open, close } = usePadWindow('Tapping');
  const [isBlocked, setBlocked] = useState(false);
  const [counted, setCounted] = useState<Counted>({ stutterCount: null, overSec: 20 });
  const { stutterCount, overSec } = counted;
  return (
    <Sheet title="Tap at each stutter" aside="costs the machine nothing; counts stutters, not pictures">
      {isBlocked && (
        <Note kind="alarm">
          <p>The browser opened no small window. Allow it for this page, or count by eye below.</p>
        </Note>
      )}
      <Row $belowPx={10}>
        <Button variant="primary" isDisabled={pad !== null} onPress={async () => setBlocked(!(await open()))}>
          <Hand size={18} aria-hidden="true" /> {pad ? 'Tapping in the small window' : 'Tap for 20 s'}
        </Button>
        <Soft>
          A small window opens. Play the stretch that lags, and tap Space in the small window at each stutter.
        </Soft>
      </Row>
      {pad && (
        <TapPad
          pad={pad}
          lengthMs={lengthMs}
          onStop={close}
          onDone={(presses) => {
            close();
            onTapped({ lengthMs, ...summarisePresses(presses), isTyped: false });
          }}
        />
      )}
      <Disclosure label="My editor stops when another window has the keyboard">
        <Paragraph $belowPx={10}>Count the stutters by eye while it plays, and type what you counted.</Paragraph>
        <FieldGrid $leastPx={180}>
          <NumberField
            label="Stutters counted"
            unit="stutters"
            minValue={0}
            maxValue={100_000}
            value={stutterCount}
            onChange={(value) => setCounted((now) => ({ ...now, stutterCount: value }))}
          />
          <NumberField
            label="While it played for"
            unit="s"
            minValue={1}
            maxValue={3600}
            value={overSec}
            onChange={(value) => setCounted((now) => ({ ...now, overSec: value }))}
          />
        </FieldGrid>
        <Row $abovePx={10}>
          <Button
            isDisabled={stutterCount === null || overSec === null}
            onPress={() =>
              onTapped({
                lengthMs: (overSec ?? 20) * 1000,
                stutterCount: stutterCount ?? 0,
                freezesMs: [],
                isTyped: true,
              })
            }
          >
            Use this count
          </Button>
        </Row>
      </Disclosure>
    </Sheet>
  );
}
