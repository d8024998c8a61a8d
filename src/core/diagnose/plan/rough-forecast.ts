import { type Belief, type BeliefComponent, usableGap } from '../../belief';
import { type FixUse, keyOfFixes } from '../../card';
import { applyFixes, fixIds } from '../../fixes';
import { compile, createOutcomes, type Extent, evaluate, type Outcomes, type SetupState } from '../../load';
import { extentOfComplaint, fillAllGaps } from '../../usable';
import type { Candidate } from '../moves/candidates';

/** Samples of a belief that a search for plans looks at; sets that it finds are looked at on all. */
const roughSampleCount = 256;

/** Always the order of the catalogue, so that a set of fixes is one plan however it was found. */
export const inOrder = (fixes: readonly Candidate[]): readonly Candidate[] =>
  [...fixes].sort((a, b) => fixIds.indexOf(a.id) - fixIds.indexOf(b.id));

/** What a rough look finds of one set of fixes. */
interface RoughGap {
  readonly probability: number;
  readonly gap: number;
}

/** One component of the belief in a rough look: few of its samples, and what is known of the states it can be brought to. */
class RoughComponent {
  private readonly gaps = new Map<SetupState, RoughGap>();
  private readonly changes = new Map<SetupState, Map<Candidate, SetupState>>();

  constructor(
    readonly component: BeliefComponent,
    private readonly state: SetupState,
    private readonly gapAt: (state: SetupState) => RoughGap,
  ) {}

  /** Under most hypotheses most fixes change nothing, so that many sets of fixes come to one state. */
  of(fixes: readonly Candidate[]): RoughGap {
    let state = this.state;
    for (const candidate of fixes) state = this.changed(state, candidate);
    const known = this.gaps.get(state) ?? this.gapAt(state);
    this.gaps.set(state, known);
    return known;
  }

  private changed(state: SetupState, candidate: Candidate): SetupState {
    const ofState = this.changes.get(state) ?? new Map<Candidate, SetupState>();
    this.changes.set(state, ofState);
    const changed = ofState.get(candidate) ?? candidate.fix.applyTo(state, candidate.level);
    ofState.set(candidate, changed);
    return changed;
  }
}

/** How likely usable, and how large the gap, under sets of fixes by a look at some samples; each set is worked out once. */
export class RoughForecast {
  private readonly known = new Map<string, RoughGap>();
  private readonly extent: Extent;
  private readonly components: readonly RoughComponent[];
  private readonly out: Outcomes = createOutcomes(roughSampleCount + 1);
  private readonly gaps = new Float64Array(roughSampleCount + 1);

  constructor(
    private readonly belief: Belief,
    inForce: readonly FixUse[],
  ) {
    this.extent = extentOfComplaint(belief.complaint);
    this.components = belief.components.flatMap((component) => {
      const wanted = Math.round(component.weight * Math.min(roughSampleCount, belief.sampleCount));
      const count = Math.min(component.count, wanted);
      const state = applyFixes(component.hypothesis.state, inForce);
      return count > 0
        ? [new RoughComponent(component, state, (changed) => this.gapOfComponent(component, count, changed))]
        : [];
    });
  }

  of(fixes: readonly Candidate[]): RoughGap {
    const ordered = inOrder(fixes);
    const key = keyOfFixes(ordered);
    const remembered = this.known.get(key);
    if (remembered) return remembered;
    let total = 0;
    let usable = 0;
    let gap = 0;
    for (const rough of this.components) {
      const { weight } = rough.component;
      const figures = rough.of(ordered);
      total += weight;
      usable += weight * figures.probability;
      gap += weight * figures.gap;
    }
    const figures = { probability: usable / total, gap: gap / total };
    this.known.set(key, figures);
    return figures;
  }

  private gapOfComponent(component: BeliefComponent, count: number, state: SetupState): RoughGap {
    evaluate(compile(state, 'heaviest'), component.samples, this.out, { to: count, extent: this.extent });
    fillAllGaps(this.belief.complaint, state, this.out, count, this.gaps);
    let usableCount = 0;
    let gap = 0;
    for (let i = 0; i < count; i++) {
      const own = this.gaps[i] as number;
      gap += own;
      if (own <= usableGap) usableCount++;
    }
    return { probability: usableCount / count, gap: gap / count };
  }
}
