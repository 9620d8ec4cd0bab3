import type { LeftOutFact, LimitFact, TechniqueBar } from '../facts.js';
import { CoreError } from '../../errors.js';
import { STEADY_HOLD } from '../../styles/catalogue/steady-hold.js';
import { styleById } from '../../styles/index.js';
import type { LoadUnit } from '../../technique/prescription.js';
import type { Style, StylePhase } from '../../styles/style.js';
import { LOADED_TECHNIQUES, PLAINEST, type Technique } from '../../technique/catalogue.js';
import type { Progression } from '../progression/progression.js';
import { limitsFor, techniqueBar } from '../limits.js';
import type { BlockInput, LaneInput } from '../plan.js';
import { phaseOfWeek } from '../weeks.js';

/** Which style, phase and limits count for a lane in each week, and what was left out on the way. */
export class LaneStyles {
  readonly leftOut: LeftOutFact[] = [];
  readonly limitReasons: LimitFact[] = [];
  private readonly progressions = new Map<string, Progression>();

  constructor(
    private readonly lane: LaneInput,
    private readonly input: BlockInput,
    private readonly easier: readonly number[],
  ) {}

  /** Says once what is left out. */
  leave(technique: Technique, bar: TechniqueBar | null, instead: string | null): void {
    if (this.leftOut.some((l) => l.code === 'left-out' && l.args.technique === technique)) return;
    this.leftOut.push({ code: 'left-out', args: { group: this.lane.group, technique, bar, instead } });
  }

  private find(id: string): Style {
    return (this.input.findStyle ?? styleById)(id);
  }

  /** True when there is an exercise for a technique, or exercises are not chosen yet. */
  can(technique: Technique): boolean {
    return this.lane.exercises === undefined || this.lane.exercises[technique] !== undefined;
  }

  /** Style and phase of a week, with what speaks against it replaced by a steady hold, never silently. */
  progressionIn(week: number): { readonly progression: Progression; readonly key: string } {
    const later = (this.lane.laterStyles ?? []).filter((l) => l.fromWeek <= week).at(-1);
    const style = this.find(later?.styleId ?? this.lane.styleId);
    const since = later?.fromWeek ?? this.lane.fromWeek ?? 1;
    const passed = phaseOfWeek(week, this.easier) - phaseOfWeek(since, this.easier);
    const index = Math.min(Math.max(0, passed), style.phases.length - 1);
    const phase = style.phases[index]!;
    const bar = techniqueBar(phase.technique, this.input.client);
    if (bar) {
      this.leave(phase.technique, bar, STEADY_HOLD.name);
      return this.progression(STEADY_HOLD, STEADY_HOLD.phases[0]!, '0');
    }
    if (!this.can(phase.technique)) {
      if (phase.technique === PLAINEST || !this.can(PLAINEST))
        throw new CoreError('invalid-plan', {
          code: 'lane-needs-exercise',
          args: { group: this.lane.group, technique: phase.technique },
        });
      this.leave(phase.technique, null, STEADY_HOLD.name);
      return this.progression(STEADY_HOLD, STEADY_HOLD.phases[0]!, '0');
    }
    return this.progression(style, phase, String(index));
  }

  private progression(style: Style, phase: StylePhase, index: string): { progression: Progression; key: string } {
    const key = `${style.id}#${index}`;
    let progression = this.progressions.get(key);
    if (!progression) {
      const limits = limitsFor(
        style,
        phase,
        this.input.client,
        this.lane.group,
        this.lane.exercises?.[phase.technique] ?? null,
      );
      if (limits.sessionsMax === 0) throw new CoreError('invalid-plan', { code: 'no-days', args: {} });
      for (const r of limits.reasons)
        if (!this.limitReasons.some((x) => JSON.stringify(x) === JSON.stringify(r))) this.limitReasons.push(r);
      progression = { style, phase, limits, loadUnit: this.lane.loadUnit ?? this.usualUnit() };
      this.progressions.set(key, progression);
    }
    return { progression, key };
  }

  private usualUnit(): LoadUnit {
    const loaded = LOADED_TECHNIQUES.map((t) => this.lane.exercises?.[t]).find((e) => e !== undefined);
    return loaded?.load === 'band' ? 'band' : 'kg';
  }
}
