'use client';

import { areSameFixes } from '@/core/card';
import type { Plan } from '@/core/diagnose';
import { planTexts } from '@/messages/diagnosis';
import { Button } from '@/ui/Button';
import { Row, Soft } from '@/ui/layout';
import type { WhatIfSet } from './use-what-if-set';

/** The plans, to be put into the set at once and changed from there. */
export function Presets({ plans, set }: { readonly plans: readonly Plan[]; readonly set: WhatIfSet }) {
  const presets = [
    { id: 'as-is', label: 'As it is', fixes: set.inForce },
    ...plans.map((plan) => ({ id: plan.id, label: planTexts[plan.id].label, fixes: [...set.inForce, ...plan.fixes] })),
  ];
  return (
    <Row role="group" aria-label="Start from" $belowPx={12}>
      <Soft>Start from:</Soft>
      {presets.map(({ id, label, fixes }) => (
        <Button key={id} aria-pressed={areSameFixes(fixes, set.chosen)} onPress={() => set.choose(fixes)}>
          {label}
        </Button>
      ))}
    </Row>
  );
}
