/// <reference lib="webworker" />
import { workOn, type PlanAnswer, type PlanRequest } from '../block/plan-messages';

addEventListener('message', ({ data }: MessageEvent<PlanRequest>) => {
  const answer = (made: PlanAnswer): void => postMessage(made);
  try {
    answer({ id: data.id, answer: workOn(data.kind, data.ask) });
  } catch {
    answer({ id: data.id, answer: null });
  }
});
