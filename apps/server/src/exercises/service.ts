import type { ExerciseFile, ExerciseImport, ExerciseVersion, OwnExercise, OwnExerciseBody } from '@yandle/contract';
import { firstItem, isCountedRight, unitOf, type ExerciseDefinition } from '@yandle/core';
import { v7 as uuid } from 'uuid';
import { importDefinitions } from '../database/import-definitions.js';
import type { StudioData } from '../database/studio-data.js';
import { putVersioned, type RowHead } from '../database/versioned.js';
import { partFaults } from '../sessions/part-faults.js';
import { HttpProblem } from '../http/problem.js';
import { OwnExerciseEntity, OwnExerciseVersionEntity } from './entities.js';

/** Ids of imported exercises come from studio and content: the same file twice adds once. */
const IMPORT_NAMESPACE = '5d6c3f0e-6f0a-4b7e-9a55-1f4f5c0f3a11';

const view = (row: OwnExerciseEntity): OwnExercise => ({
  ...row.definition,
  id: row.id,
  version: row.version,
  archived: row.archived,
});

/** What a schema cannot say of an exercise. */
function faults(d: ExerciseDefinition, at = ''): { path: string; message: string }[] {
  const out = [];
  if (d.amount.min > d.amount.max) out.push({ path: `${at}amount.max`, message: 'The most is less than the least.' });
  if (!isCountedRight(d))
    out.push({ path: `${at}amount.unit`, message: `Count this way of working in ${unitOf(d.technique)}.` });
  if (d.secondary.includes(d.primary))
    out.push({ path: `${at}secondary`, message: 'The main muscle group can’t be a secondary one too.' });
  if (d.props.some((p) => d.optionalProps.includes(p)))
    out.push({ path: `${at}optionalProps`, message: 'A thing is needed or comfortable, not both.' });
  if (d.stages.length > 0 && Math.abs(d.stages.reduce((sum, s) => sum + s.share, 0) - 1) > 0.01)
    out.push({ path: `${at}stages`, message: 'The shares of the stages add up to 1.' });
  const whole = { ...d, id: '' };
  for (const fault of partFaults(firstItem(whole), whole))
    out.push({ path: `${at}${fault.path}`, message: fault.message });
  return out;
}

function assertSound(errors: { path: string; message: string }[]): void {
  if (errors.length > 0) throw new HttpProblem('validation', 'Fix the fields below and save again.', { errors });
}

export async function listOwnExercises(data: StudioData): Promise<OwnExercise[]> {
  return (await data.find(OwnExerciseEntity, {}, { order: { createdAt: 'ASC', id: 'ASC' } })).map(view);
}

export async function putOwnExercise(data: StudioData, id: string, body: OwnExerciseBody): Promise<OwnExercise> {
  const { version: _, archived, ...definition } = body;
  assertSound(faults(definition));
  return data.transaction(async (tx) => {
    const before = await tx.findOne(OwnExerciseEntity, { id });
    await putVersioned(
      tx,
      OwnExerciseEntity,
      id,
      body,
      'exercise',
      {
        create: (head: RowHead) => ({ ...head, definition, archived, createdAt: tx.now }),
        edit: () => ({ definition, archived }),
      },
      view,
    );
    const after = await tx.get(OwnExerciseEntity, id, 'exercise');
    if (before && after.version !== before.version)
      await tx.insert(OwnExerciseVersionEntity, {
        id: uuid(),
        exerciseId: id,
        version: before.version,
        definition: before.definition,
        createdAt: tx.now,
      });
    return view(after);
  });
}

/** Earlier versions of an own exercise, newest first. */
export async function exerciseVersions(data: StudioData, id: string): Promise<ExerciseVersion[]> {
  await data.get(OwnExerciseEntity, id, 'exercise');
  const rows = await data.find(OwnExerciseVersionEntity, { exerciseId: id }, { order: { version: 'DESC' } });
  return rows.map((r) => ({ version: r.version, at: r.createdAt.toISOString(), definition: r.definition }));
}

/** Takes a file of exercises in, all or nothing; those that are there with the same content count as the same. */
export async function importExercises(data: StudioData, file: ExerciseFile): Promise<ExerciseImport> {
  assertSound(file.exercises.flatMap((d, i) => faults(d, `exercises.${i}.`)));
  return importDefinitions(data, OwnExerciseEntity, { namespace: IMPORT_NAMESPACE, kind: 'exercise' }, file.exercises);
}
