import type { SessionWarningFact } from './facts.js';
import type { FindExercise } from '../catalogue/exercises.js';
import type { PlainDate } from '../schedule/plain-date.js';
import { spacingTrouble, type SpacedSession } from '../session/spacing.js';
import { boutOf, type SessionItem } from '../session/item.js';
import { isLoadedItem, stillSeconds } from '../session/parts.js';
import { sectionOf } from '../session/order.js';
import { STATIC_BEFORE_TRAINING, type PurposeId } from '../session/purpose.js';

/** A rule of the session that its order or its day breaks. It warns; the coach decides. */
export interface PhaseWarning {
  /** Places of the items it is about. */
  readonly items: readonly number[];
  readonly fact: SessionWarningFact;
}

/** The session itself among the others. */
const HERE = 'this session';
/** Groups of the neck. */
const NECK = ['upper-trapezius', 'neck-side', 'neck-front', 'neck-back'];

/**
 * What speaks against a session as it stands (domain 2.7): holds of more than a minute a group before training; the neck stretched right after
 * something loaded; a group loaded twice within 48 h; stretches out of the order of the phases.
 * @param others the other sessions of the block
 */
export function phaseWarnings(
  items: readonly SessionItem[],
  purpose: PurposeId,
  date: PlainDate,
  others: readonly SpacedSession[],
  find: FindExercise,
): PhaseWarning[] {
  const out: PhaseWarning[] = [];
  const techniqueOf = (i: SessionItem) => boutOf(i, find(i.exerciseId)).technique;
  const groupOf = (i: SessionItem) => find(i.exerciseId).primary;
  if (purpose === 'before training')
    for (const group of new Set(items.map(groupOf))) {
      const at = items.flatMap((x, i) => (groupOf(x) === group && stillSeconds(x, find(x.exerciseId)) > 0 ? [i] : []));
      const still = at.reduce((sum, i) => sum + stillSeconds(items[i]!, find(items[i]!.exerciseId)), 0);
      if (still > STATIC_BEFORE_TRAINING)
        out.push({
          items: at,
          fact: { code: 'held-before-training', args: { group, seconds: still, most: STATIC_BEFORE_TRAINING } },
        });
    }
  items.forEach((item, i) => {
    const before = items[i - 1];
    if (!before) return;
    if (NECK.includes(groupOf(item)) && isLoadedItem(before, find(before.exerciseId)))
      out.push({
        items: [i - 1, i],
        fact: { code: 'neck-after-loaded' },
      });
    if (sectionOf(techniqueOf(item)) < sectionOf(techniqueOf(before)))
      out.push({
        items: [i - 1, i],
        fact: { code: 'out-of-order', args: { technique: techniqueOf(item), before: techniqueOf(before) } },
      });
  });
  const loaded = [...new Set(items.filter((i) => isLoadedItem(i, find(i.exerciseId))).map(groupOf))];
  for (const fact of spacingTrouble([...others, { id: HERE, date, loaded }], HERE, date, []))
    out.push({ items: items.flatMap((x, i) => (isLoadedItem(x, find(x.exerciseId)) ? [i] : [])), fact });
  return out;
}
