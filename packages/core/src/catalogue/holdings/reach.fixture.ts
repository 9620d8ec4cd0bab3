import fc from 'fast-check';
import { MUSCLE_GROUP_IDS, type MuscleGroupId } from '../../anatomy/muscle-group.js';
import { chooseExercises, isOfLevel } from '../../planning/exercise-choice/choose-exercises.js';
import { EXPERIENCES, type Experience } from '../../planning/limits.js';
import { cautionsFor, houseRules, type Caution } from '../../screening/cautions.js';
import { CONDITION_CASES } from '../../screening/conditions.js';
import { NO_ANSWERS } from '../../screening/answers.js';
import { cautionsAgainst } from '../../screening/limits.js';
import { missingAt, placeOfKind, PLACE_KINDS, type ClientPlace } from '../../screening/place.js';
import type { Style } from '../../styles/style.js';
import { PLAINEST, type Technique } from '../../technique/catalogue.js';
import type { Exercise } from '../exercise.js';
import { EXERCISES } from '../exercises.js';
import { exercisesDoing } from '../forms.js';
import { EVERYDAY_PROPS, PROP_IDS } from '../props.js';

/** An invented client: what they have, may do and are used to, and six groups they want worked. */
export interface AnyClient {
  readonly age: number;
  readonly level: Experience;
  readonly place: ClientPlace;
  readonly cautions: readonly Caution[];
  readonly groups: readonly MuscleGroupId[];
}

const limiting = CONDITION_CASES.map((c) => c.caution).filter((c) => c.outcome === 'limit');
const special = PROP_IDS.filter((p) => !EVERYDAY_PROPS.includes(p));

/** Any client whom planning is not blocked for: up to two conditions that limit, any place, any things, any level, 15 to 85 years. */
export const anyClient: fc.Arbitrary<AnyClient> = fc
  .record({
    age: fc.integer({ min: 18, max: 85 }),
    level: fc.constantFrom(...EXPERIENCES),
    kind: fc.constantFrom(...PLACE_KINDS),
    things: fc.subarray([...special]),
    conditions: fc.uniqueArray(fc.constantFrom(...limiting), { maxLength: 2, selector: (c) => c.id }),
    groups: fc.shuffledSubarray([...MUSCLE_GROUP_IDS], { minLength: 6, maxLength: 6 }),
  })
  .map(({ age, level, kind, things, conditions, groups }) => ({
    ...{ age, level, groups },
    place: placeOfKind(kind, 'place', things),
    cautions: [...houseRules([]), ...cautionsFor(NO_ANSWERS, age), ...conditions],
  }));

/** What a style can do for a group of a client: its own way all through, holding still instead, or nothing. */
export type Reach = 'own way' | 'held instead' | 'nothing';

const allowedFor =
  ({ cautions, place }: AnyClient, level: Experience | null) =>
  (group: MuscleGroupId, technique: Technique): Exercise[] =>
    exercisesDoing(group, technique).filter(
      (e) =>
        missingAt(e, place).length === 0 &&
        cautionsAgainst({ ...e, technique }, cautions).length === 0 &&
        (level === null || isOfLevel(level, e)),
    );

/** How far a style reaches for a group of a client. */
export function reachOf(style: Style, group: MuscleGroupId, client: AnyClient): Reach {
  const allowed = allowedFor(client, null);
  const chosen = chooseExercises(group, [style], allowed, client.level).map((c) => c.technique);
  const extras = [style.before, style.after].flatMap((e) => (e ? [e.technique] : []));
  if ([...style.phases.map((p) => p.technique), ...extras].every((t) => chosen.includes(t))) return 'own way';
  return chosen.includes(PLAINEST) ? 'held instead' : 'nothing';
}

/** Why there is no hold for a group of a client: what takes the last of them away. */
export function whyNothing(
  group: MuscleGroupId,
  client: AnyClient,
): 'cautions' | 'the place' | 'the level' | 'together' {
  const all = EXERCISES.filter((e) => e.primary === group && e.technique === PLAINEST);
  const spoken = all.filter((e) => cautionsAgainst(e, client.cautions).length === 0);
  if (spoken.length === 0) return 'cautions';
  const here = all.filter((e) => missingAt(e, client.place).length === 0);
  if (here.length === 0) return 'the place';
  return all.every((e) => !isOfLevel(client.level, e)) ? 'the level' : 'together';
}

/** The same clients each time. */
export const clients = (many: number): readonly AnyClient[] => fc.sample(anyClient, { numRuns: many, seed: 20261202 });
