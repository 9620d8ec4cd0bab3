import { CoreError } from '../errors.js';
import { kindOf, STYLE_TECHNIQUES } from '../technique/catalogue.js';
import { amountVariable, type Variable } from '../technique/prescription.js';
import { repsAfter, type Style, type StylePhase } from './style.js';

/** A style of a coach's own: all but the id, which is its row's. */
export type StyleDefinition = Omit<Style, 'id'>;

/** Bounds inside which a style may be changed; what lies outside is no stretching programme. Common practice, no source. */
export const STYLE_BOUNDS = {
  sets: { min: 1, max: 6 },
  holdSeconds: { min: 5, max: 180 },
  pauseSeconds: { min: 1, max: 10 },
  reps: { min: 3, max: 20 },
  cycles: { min: 1, max: 6 },
  pushSeconds: { min: 3, max: 10 },
  effort: { min: 10, max: 75 },
  lowerSeconds: { min: 2, max: 8 },
  load: { min: 0, max: 40 },
  sessionsPerWeek: { min: 1, max: 7 },
  sensation: { min: 3, max: 6 },
  phases: { min: 1, max: 4 },
  doseCap: { min: 60, max: 1800 },
} as const;

/** Variables that a technique can turn up. */
export function variablesOf(phase: Pick<StylePhase, 'technique'>, hasActivation = false): Variable[] {
  const common: Variable[] = [amountVariable(phase.technique), 'sets', 'sessionsPerWeek', 'sensation'];
  const own = kindOf(phase.technique).variables;
  return [...common, ...own, ...(hasActivation && own.length === 0 ? (['activationReps'] as const) : [])];
}

/** What is wrong with a style, one sentence each; empty when it can be used. */
export function styleProblems(s: StyleDefinition): string[] {
  const out: string[] = [];
  if (s.name.trim() === '') out.push('Give the style a name.');
  if (s.phases.length === 0) out.push('A style has at least one phase.');
  s.phases.forEach((phase, i) => {
    const say = (text: string): void => {
      out.push(s.phases.length > 1 ? `Phase ${i + 1}: ${text}` : text);
    };
    if (!STYLE_TECHNIQUES.includes(phase.technique)) say(`${phase.technique} is not planned here.`);
    const allowed = variablesOf(phase, repsAfter(s) > 0);
    for (const v of phase.order) {
      if (!allowed.includes(v)) say(`${v} cannot progress with this technique.`);
      if (phase.caps[v] === undefined) say(`${v} progresses, so it needs a cap.`);
    }
    if (new Set(phase.order).size !== phase.order.length) say('Each variable stands in the order once.');
    const amount = amountVariable(phase.technique);
    const begin = phase.start[amount] ?? 0;
    if (begin < phase.amountFloor) say('The bout starts below its floor.');
    if ((phase.caps[amount] ?? begin) < begin) say('The cap of the bout lies below its start.');
    if ((phase.caps.sets ?? phase.start.sets) < phase.start.sets) say('The cap of the sets lies below their start.');
    if ((phase.caps.sessionsPerWeek ?? phase.start.sessionsPerWeek) < phase.start.sessionsPerWeek)
      say('The cap of the sessions lies below their start.');
    if ((phase.caps.sensation ?? 0) > STYLE_BOUNDS.sensation.max)
      say('Target sensation can’t be above 6 of 10 (talk test).');
  });
  return out;
}

/**
 * Refuses a style that cannot be planned with.
 * @throws CoreError `invalid-style`
 */
export function assertStyle(s: StyleDefinition): void {
  const [first] = styleProblems(s);
  if (first) throw new CoreError('invalid-style', first);
}
