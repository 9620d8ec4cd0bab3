import { kindWords, muscleGroupName, whereDoneWords, type Exercise } from '@yandle/core';

/** What is said of an exercise beside its name. */
export function exerciseLine(e: Exercise): string {
  return `${muscleGroupName(e.primary)} · ${kindWords(e)} · ${whereDoneWords(e)}`;
}
