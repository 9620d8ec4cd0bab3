import { CoreError } from '../errors.js';
import { kindOf, STYLE_TECHNIQUES, type Technique } from '../technique/catalogue.js';
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

/** What is wrong with a style, and in which phase (from 0); null where it has one phase only, or it is not about a phase. */
export type StyleFault = { readonly phase: number | null } & (
  | { readonly code: 'no-name' | 'no-phase' }
  | { readonly code: 'technique-not-planned'; readonly technique: Technique }
  | { readonly code: 'variable-not-here' | 'variable-without-cap'; readonly variable: Variable }
  | { readonly code: 'variable-twice' | 'start-below-floor' }
  | { readonly code: 'cap-below-start'; readonly variable: Variable }
  | { readonly code: 'sensation-too-high'; readonly most: number }
);

/** All that is wrong with a phase. */
function phaseFaults(phase: StylePhase, hasActivation: boolean, at: number | null): StyleFault[] {
  const out: StyleFault[] = [];
  const { technique, order, start, caps, amountFloor } = phase;
  if (!STYLE_TECHNIQUES.includes(technique)) out.push({ phase: at, code: 'technique-not-planned', technique });
  const allowed = variablesOf(phase, hasActivation);
  const reached = new Map<Variable, number>();
  for (const { variable } of [...order, ...(phase.experiencedOrder ?? [])])
    if (!allowed.includes(variable)) out.push({ phase: at, code: 'variable-not-here', variable });
    else if (caps[variable] === undefined && variable !== 'load')
      out.push({ phase: at, code: 'variable-without-cap', variable });
  for (const { variable, until } of order) {
    // It may come again, further: help is further the less of it there is.
    const to = variable === 'assistance' ? -(until ?? 0) : (until ?? Infinity);
    if (to <= (reached.get(variable) ?? -Infinity)) out.push({ phase: at, code: 'variable-twice' });
    reached.set(variable, to);
  }
  const amount = amountVariable(technique);
  if ((start[amount] ?? 0) < amountFloor) out.push({ phase: at, code: 'start-below-floor' });
  for (const variable of [amount, 'sets', 'sessionsPerWeek'] as const) {
    const begin = start[variable] ?? 0;
    if ((caps[variable] ?? begin) < begin) out.push({ phase: at, code: 'cap-below-start', variable });
  }
  if ((caps.sensation ?? 0) > STYLE_BOUNDS.sensation.max)
    out.push({ phase: at, code: 'sensation-too-high', most: STYLE_BOUNDS.sensation.max });
  return out;
}

/** What is wrong with a style; empty when it can be used. */
export function styleFaults(s: StyleDefinition): StyleFault[] {
  const out: StyleFault[] = [];
  if (s.name.trim() === '') out.push({ phase: null, code: 'no-name' });
  if (s.phases.length === 0) out.push({ phase: null, code: 'no-phase' });
  const several = s.phases.length > 1;
  return [...out, ...s.phases.flatMap((phase, i) => phaseFaults(phase, repsAfter(s) > 0, several ? i : null))];
}

/**
 * Refuses a style that cannot be planned with.
 * @throws CoreError `invalid-style`
 */
export function assertStyle(s: StyleDefinition): void {
  const [fault] = styleFaults(s);
  if (fault) throw new CoreError('invalid-style', { code: 'style-fault', args: { fault } });
}
