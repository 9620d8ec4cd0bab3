import { muscleGroupName } from '../anatomy/muscle-group.js';
import type { BlockComparison } from '../planning/revision/compare.js';
import type { GivesWay } from '../planning/revision/hand-list.js';
import type { ClashSubject, ClashValue, LanePart, Setting } from '../planning/revision/merge.js';
import type { PlannedWeek } from '../planning/plan.js';
import type { TemplateNote } from '../planning/template.js';
import { counted } from './plural.js';
import { bonusWords, prescriptionWords } from './prescription.js';

/** A cell as it is compared: what it asks, and the extra of the tighter side. */
export function cellWords(w: PlannedWeek): string {
  const bonus = bonusWords(w.prescription);
  if (w.kind === 'rest') return 'rest';
  return `${prescriptionWords(w.prescription)}, sensation ${w.prescription.sensation}${bonus ? `, ${bonus}` : ''}`;
}

/** What became of a lane from one version to another. */
export function laneChangeWords({ group, change }: BlockComparison['lanes'][number]): string {
  const name = muscleGroupName(group);
  if (change.kind === 'changed') return `${name}: ${counted(change.weeks, 'week')} changed`;
  return change.kind === 'new' ? `${name} is new` : `${name} is gone`;
}

/** Why a list changed by hand is planned anew. @param day of its session, as it is written */
export function givesWayWords(why: GivesWay, day: string): string {
  return why === 'lowered'
    ? `The list you changed for ${day} is planned anew: that week is lower after an absence or soreness.`
    : `The list you changed for ${day} is planned anew: a caution rules out something in it.`;
}

const SETTING_NAME: Readonly<Record<Setting, string>> = {
  startDate: 'Start',
  weeks: 'Weeks',
  ramp: 'Weekly increase',
  easierEvery: 'Easier week',
  easierWeeks: 'Easier weeks by hand',
  missedWeeks: 'Missed weeks',
  away: 'Away',
  lanesPerSession: 'Lanes per session',
  dayPlans: 'Day plans',
  smallestPlate: 'Smallest plate',
};

const LANE_PART_NAME: Readonly<Record<LanePart, string>> = {
  styleId: 'style',
  laterStyles: 'later styles',
  fromWeek: 'first week',
  untilWeek: 'last week',
  startingDose: 'starting dose',
  loadUnit: 'load',
  startLoad: 'load to begin with',
  startHelp: 'help to begin with',
  loadMax: 'heaviest load',
  phaseWeeks: 'weeks of each phase',
  exercises: 'exercises',
};

/** What two coaches changed in different ways. */
export function clashSubjectWords(s: ClashSubject): string {
  if (s.kind === 'setting') return SETTING_NAME[s.setting];
  if (s.kind === 'lane-order') return 'Order of the lanes';
  const name = muscleGroupName(s.group);
  if (s.kind === 'lane') return name;
  return s.kind === 'week' ? `${name}, week ${s.week}` : `${name}, ${LANE_PART_NAME[s.part]}`;
}

/** One side of a clash. */
export function clashValueWords(v: ClashValue): string {
  if (v.kind === 'lane') return v.kept ? 'kept and changed' : 'removed';
  if (v.kind === 'order') return v.groups.map(muscleGroupName).join(', ');
  if (v.kind === 'cell') return v.cell ? prescriptionWords(v.cell.prescription) : 'set automatically';
  if (v.value === null || v.value === undefined) return 'none';
  return typeof v.value === 'string' ? v.value : JSON.stringify(v.value);
}

/** What of a template could not be used as it is. */
export function templateNoteWords({ code, args }: TemplateNote): string {
  const name = muscleGroupName(args.group);
  switch (code) {
    case 'caution':
      return `${name}: left out, an intake caution rules it out.`;
    case 'no-exercise':
      return `${name}: left out, the library has no exercise for this client.`;
    case 'scaled':
      return `${name}: hand-set weeks scaled to ${'percent' in args ? args.percent : 100}%, because this client starts lower.`;
  }
}
