import type { MuscleGroupId } from '../../anatomy/muscle-group.js';
import type { Side } from '../../anatomy/side.js';
import type { Findings, GroupFinding } from './findings.js';

/** Why a group is wanted in a block. */
export type WantedFact =
  | { readonly code: 'short'; readonly args: { readonly testName: string; readonly side: Side | null } }
  | { readonly code: 'tighter'; readonly args: { readonly side: Side } }
  | { readonly code: 'complaint' }
  | { readonly code: 'asked' }
  | { readonly code: 'by-hand' };

/** A group that findings, complaints or wishes ask for. */
export interface WantedGroup {
  readonly group: MuscleGroupId;
  /** True where something measured is short or clearly tighter on one side; else it is to be kept as it is. */
  readonly lengthen: boolean;
  readonly facts: readonly WantedFact[];
}

function wantedOf({ group, parts, tighter, tests }: GroupFinding): WantedGroup {
  const short = tests.find((t) => (t.finding.shortfall?.spreads ?? 0) > 0)?.finding;
  return {
    group,
    lengthen: parts.shortfall > 0 || parts.side > 0,
    facts: [
      ...(short ? [{ code: 'short' as const, args: { testName: short.test.name, side: short.side } }] : []),
      ...(parts.side > 0 && tighter ? [{ code: 'tighter' as const, args: { side: tighter } }] : []),
      ...(parts.complaint > 0 ? [{ code: 'complaint' as const }] : []),
      ...(parts.interest > 0 ? [{ code: 'asked' as const }] : []),
    ],
  };
}

/**
 * Groups that a block could work on, in the order of coach and client, then those that were asked for and never measured.
 * @param list the ranked groups as decided
 */
export function wantedGroups(found: Pick<Findings, 'asked'>, list: readonly GroupFinding[]): WantedGroup[] {
  return [
    ...list.map(wantedOf),
    ...found.asked.map(({ group, interest, complaint }): WantedGroup => ({
      group,
      lengthen: false,
      facts: [
        ...(complaint > 0 ? [{ code: 'complaint' as const }] : []),
        ...(interest > 0 ? [{ code: 'asked' as const }] : []),
      ],
    })),
  ];
}

/** The wanted groups that a coach has picked, in their order; groups that nothing asks for come last. */
export function pickedGroups(wanted: readonly WantedGroup[], picked: readonly MuscleGroupId[]): WantedGroup[] {
  const unasked = picked.filter((g) => !wanted.some((w) => w.group === g));
  return [
    ...wanted.filter((w) => picked.includes(w.group)),
    ...unasked.map((group): WantedGroup => ({ group, lengthen: true, facts: [{ code: 'by-hand' }] })),
  ];
}
