import type { Today } from '@yandle/contract';
import {
  bodyRegionName,
  endsSession,
  formatDate,
  muscleGroupName,
  symptomName,
  type AwayDates,
  type Exercise,
  type MuscleGroupId,
} from '@yandle/core';

/** One thing that needs the coach: what, why, and the one way on. */
export interface Need {
  readonly key: string;
  readonly title: string;
  readonly why: string;
  readonly link: readonly string[];
  readonly action: string;
}

/** Things of one kind, most pressing kind first. */
export interface NeedGroup {
  readonly id: string;
  readonly name: string;
  readonly urgent: boolean;
  readonly needs: readonly Need[];
}

const groupsIn = (groups: readonly MuscleGroupId[]): string =>
  groups.map((g) => muscleGroupName(g).toLowerCase()).join(', ');
const day = (date: string): string => formatDate(date, 'EEE d MMM');
const span = ({ from, to }: AwayDates): string => (from === to ? day(from) : `${day(from)} to ${day(to)}`);

/** What needs the coach, grouped in the order in which it presses; groups with nothing in them are left out. */
export function needsOf(d: Today, find: (id: string) => Exercise): NeedGroup[] {
  const client = (id: string, ...rest: readonly string[]): readonly string[] => ['/clients', id, ...rest];
  const groups: NeedGroup[] = [
    {
      ...{ id: 'symptoms', name: 'Stop signs', urgent: true },
      needs: d.symptoms.map((s) => ({
        key: s.id,
        title: `${s.clientName}: ${symptomName(s.symptom).toLowerCase()}`,
        why: `${find(s.exerciseId).name}${s.form ? `, done as “${find(s.form).name}”` : ''}${s.side ? `, ${s.side}` : ''}, ${day(s.date)}. ${
          endsSession(s.symptom)
            ? 'All sessions are on hold until you record who cleared it.'
            : 'The exercise is on hold until you clear it.'
        }`,
        ...{ link: client(s.clientId, 'sessions', s.sessionId), action: 'Look into it' },
      })),
    },
    {
      ...{ id: 'unwell', name: 'Unwell', urgent: true },
      needs: d.unwell.map((u) => ({
        ...{ key: u.sessionId, title: `${u.clientName} was unwell, no session` },
        why: `${day(u.date)}. Ask how they are before you move it.`,
        ...{ link: client(u.clientId, 'sessions', u.sessionId), action: 'Open the session' },
      })),
    },
    {
      ...{ id: 'sore', name: 'Very sore', urgent: true },
      needs: d.sore.map((s, i) => ({
        key: `${s.clientId}-${i}`,
        title: `${s.clientName}: soreness ${s.soreness} of 10, ${s.region ? bodyRegionName(s.region).toLowerCase() : 'all over'}`,
        why: `${day(s.date)}. Rest this area for a day, then go back one step.`,
        ...{ link: client(s.clientId, 'block'), action: 'Open the block' },
      })),
    },
    {
      ...{ id: 'missed', name: 'Missed weeks', urgent: false },
      needs: d.missed.map((m) => ({
        ...{ key: m.clientId, title: `${m.clientName}: nothing logged in week ${m.week}` },
        why: 'Not logged is not the same as not done: ask, then review the week.',
        ...{ link: client(m.clientId, 'review'), action: 'Review' },
      })),
    },
    {
      ...{ id: 'reviews', name: 'Weekly reviews', urgent: false },
      needs:
        d.reviewsDue === 0
          ? []
          : [
              {
                ...{ key: 'reviews', title: `${d.reviewsDue} ${d.reviewsDue === 1 ? 'client' : 'clients'} to review` },
                why: 'Their last week is over. Exceptions come first, plain ones by one press.',
                ...{ link: ['/reviews'], action: 'Review' },
              },
            ],
    },
    {
      ...{ id: 'plateaus', name: 'Plateaus', urgent: false },
      needs: d.plateaus.map((p) => ({
        ...{ key: p.clientId, title: `${p.clientName}: ${groupsIn(p.groups)} on a plateau` },
        why: 'Practised as planned, but slower than the goal needs. Change one thing.',
        ...{ link: client(p.clientId, 'review'), action: 'Review' },
      })),
    },
    {
      ...{ id: 'away', name: 'Days away', urgent: false },
      needs: d.away.map((a, i) => ({
        ...{ key: `${a.clientId}-${i}`, title: `${a.clientName} is away ${a.away.map(span).join(', ')}` },
        why: 'Said on the phone. The plan does not know it yet.',
        ...{ link: client(a.clientId, 'review'), action: 'Plan around it' },
      })),
    },
    {
      ...{ id: 'clearances', name: 'Clearances', urgent: true },
      needs: d.clearances.map((c) => ({
        ...{ key: c.clientId, title: `${c.clientName}: doctor or physiotherapist first` },
        why: c.note || 'Planning is blocked until a clearance is recorded.',
        ...{ link: client(c.clientId, 'intake'), action: 'Record the clearance' },
      })),
    },
    {
      ...{ id: 'late', name: 'Logged late', urgent: false },
      needs: d.lateLogs.map((l) => ({
        key: l.clientId,
        title: `${l.clientName}: ${l.runs} ${l.runs === 1 ? 'session' : 'sessions'} logged late`,
        why: 'From the phone, after the link or the plan had ended.',
        ...{ link: client(l.clientId, 'sessions'), action: 'Look at it' },
      })),
    },
    {
      ...{ id: 'questions', name: 'Health questions', urgent: false },
      needs: d.questions.map((c) => ({
        ...{ key: c.clientId, title: `${c.clientName}: health questions to answer again` },
        why: 'Sessions go on as planned. The block can be published once they are answered.',
        ...{ link: client(c.clientId, 'intake'), action: 'Answer them' },
      })),
    },
    {
      ...{ id: 'without', name: 'No block running', urgent: false },
      needs: d.withoutBlock.map((c) => ({
        ...{ key: c.clientId, title: c.clientName, why: c.reason },
        ...{ link: client(c.clientId), action: 'Open' },
      })),
    },
  ];
  return groups.filter((g) => g.needs.length > 0);
}
