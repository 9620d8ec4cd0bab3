import type { ReviewedLaneView } from '@yandle/contract';

/** A lane in a review: done as planned, nothing decided. */
export const reviewedLane = (
  group: ReviewedLaneView['group'],
  over: Partial<ReviewedLaneView> = {},
): ReviewedLaneView => ({
  laneId: group,
  group,
  review: { move: 'advance', because: { code: 'as-planned', args: { percent: 96 } }, asks: [] },
  proposal: { move: 'advance' },
  record: { planned: 180, done: { left: 180, right: 165 }, inSeconds: true, felt: null, soreDays: 0 },
  ...{ shownWeek: 4, planned: '2 × 35 s, 3 days', proposed: '2 × 35 s, 3 days', decision: null },
  ...over,
});
/** A lane that was very sore twice. */
export const soreLane = reviewedLane('hamstrings', {
  review: { move: 'ease two', because: { code: 'sore-twice', args: { days: 2 } }, asks: [] },
  proposal: { move: 'ease two' },
  proposed: '2 × 30 s, 3 days',
});
