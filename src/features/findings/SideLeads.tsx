'use client';

import type { Diagnosis } from '@/core/diagnose';
import { sideTexts } from '@/messages/diagnosis';
import { fixTitle } from '@/messages/fix-titles';
import { Soft } from '@/ui/layout';
import { Sheet } from '@/ui/Sheet';

/** Complaints that are no preview lag, each with one telling question and what it leads to. */
export function SideLeads({ leads }: { readonly leads: Diagnosis['sideLeads'] }) {
  if (leads.length === 0) return null;
  const list = (ids: readonly string[]) => ids.map((id) => fixTitle(id, null).toLowerCase()).join('; then ');
  return (
    <Sheet title="Beside the lag" aside="these have fixes of their own">
      {leads.map(({ kind, ifYes, ifNo }) => (
        <div key={kind} style={{ marginBottom: 10 }}>
          <h3 style={{ fontSize: 16 }}>{sideTexts[kind]?.title}</h3>
          <p>{sideTexts[kind]?.question}</p>
          <p style={{ fontSize: 15 }}>
            <b>Yes:</b> {list(ifYes)}. <b>No:</b> {list(ifNo)}.
          </p>
          <p style={{ fontSize: 15 }}>
            <Soft>The steps of each stand with the fixes.</Soft>
          </p>
        </div>
      ))}
    </Sheet>
  );
}
