/// <reference lib="webworker" />
import { compose, highsSolver, type ComposeRequest } from '@yandle/core';
import loadHighs from 'highs';
import type { ComposerAnswer, ComposerTask } from '../sessions/composer-messages';

let solver: Promise<ReturnType<typeof highsSolver>> | null = null;

function answer(message: ComposerAnswer): void {
  postMessage(message);
}

function load(base: string): Promise<ReturnType<typeof highsSolver>> {
  solver ??= loadHighs({ locateFile: (file) => new URL(`solver/${file}`, base).href }).then((h) => highsSolver(h));
  return solver;
}

async function work(task: ComposerTask): Promise<void> {
  const solve = await load(task.base);
  if (task.kind === 'load') return answer({ kind: 'ready' });
  const request: ComposeRequest = task.request;
  const made = compose(request, solve, {
    onStage: (name, index) => answer({ kind: 'stage', id: task.id, name, index }),
  });
  answer({ kind: 'made', id: task.id, made });
}

addEventListener('message', ({ data }: MessageEvent<ComposerTask>) => {
  work(data).catch((err: unknown) =>
    answer({
      kind: 'failed',
      id: data.id,
      words: err instanceof Error ? err.message : 'The solver could not be loaded.',
    }),
  );
});
