import type { Felt, FeltBody, FocusBody, FocusView, Goal, GoalBody } from '@yandle/contract';
import { assertPlausible, CoreError, testInBook, type PlainDate } from '@yandle/core';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { assertVersion } from '../database/versioned.js';
import { HttpProblem } from '../http/problem.js';
import { assertInBook, loadBook } from '../test-book/book.js';
import { FeltEntity, FocusEntity, GoalEntity } from './entities.js';

const NOTHING: Omit<FocusBody, 'version'> = { interests: [], pinned: [], excluded: [], order: [], quickCheck: [] };

const goalView = (g: GoalEntity): Goal => ({
  id: g.id,
  testId: g.testId,
  value: Number(g.value),
  due: g.due,
  words: g.words,
  setOn: g.setOn,
  endedOn: g.endedOn,
});

const feltView = (f: FeltEntity): Felt => ({
  id: f.id,
  date: f.date,
  region: f.region,
  kind: f.kind,
  moment: f.moment,
  score: f.score,
  habits: f.habits,
});

/** Goals, complaints and decisions of a client. */
export async function focusView(data: StudioData, clientId: string): Promise<FocusView> {
  await data.get(ClientEntity, clientId, 'client');
  const focus = await data.findOne(FocusEntity, { id: clientId });
  const goals = await data.find(GoalEntity, { clientId }, { order: { setOn: 'ASC', id: 'ASC' } });
  const felt = await data.find(FeltEntity, { clientId }, { order: { date: 'DESC', id: 'DESC' } });
  return {
    focus: focus ? { ...focus.content, version: focus.version } : { ...NOTHING, version: null },
    goals: goals.map(goalView),
    felt: felt.map(feltView),
  };
}

export async function putFocus(data: StudioData, clientId: string, body: FocusBody): Promise<FocusView> {
  return data.transaction(async (tx) => {
    // The client's row is the lock: two first edits at once would both find no focus.
    await tx.getLocked(ClientEntity, clientId, 'client');
    assertInBook(await loadBook(tx), body.quickCheck, (i) => `quickCheck.${i}`);
    const { version, ...content } = body;
    const row = await tx.findOne(FocusEntity, { id: clientId });
    if (!row && version === null) await tx.insert(FocusEntity, { id: clientId, version: 1, content });
    else if (row && version === null) {
      // The same first edit again.
      if (hashOf(row.content) !== hashOf(content)) assertVersion(row, 0, { ...row.content, version: row.version });
    } else {
      assertVersion(row ?? { version: 0 }, version!, row ? { ...row.content, version: row.version } : null);
      await tx.update(FocusEntity, { id: clientId }, { content, version: version! + 1 });
    }
    return focusView(tx, clientId);
  });
}

export async function putGoal(
  data: StudioData,
  clientId: string,
  id: string,
  body: GoalBody,
  today: PlainDate,
): Promise<FocusView> {
  return data.transaction(async (tx) => {
    await tx.get(ClientEntity, clientId, 'client');
    if (await tx.isNew(GoalEntity, id, { clientId, ...body })) {
      const book = await loadBook(tx);
      assertInBook(book, [body.testId], () => 'testId');
      const refuse = (path: string, message: string): never => {
        throw new HttpProblem('validation', 'Mend the fields listed and send again.', { errors: [{ path, message }] });
      };
      try {
        assertPlausible(body.value, testInBook(book, body.testId));
      } catch (err) {
        if (err instanceof CoreError) refuse('value', err.message);
        throw err;
      }
      if (body.due !== null && body.due <= today) refuse('due', 'A goal lies ahead. Choose a later day, or none.');
      // One goal a test: the earlier one ends today.
      const standing = (await tx.find(GoalEntity, { clientId, testId: body.testId })).filter((g) => !g.endedOn);
      for (const g of standing) await tx.update(GoalEntity, { id: g.id }, { endedOn: today });
      await tx.insert(GoalEntity, {
        ...body,
        id,
        clientId,
        value: body.value.toFixed(2),
        setOn: today,
        endedOn: null,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: new Date(),
      });
    }
    return focusView(tx, clientId);
  });
}

/** Ends a goal; ending it again changes nothing. */
export async function endGoal(data: StudioData, id: string, today: PlainDate): Promise<FocusView> {
  return data.transaction(async (tx) => {
    const goal = await tx.getLocked(GoalEntity, id, 'goal');
    if (goal.endedOn === null) await tx.update(GoalEntity, { id }, { endedOn: today });
    return focusView(tx, goal.clientId);
  });
}

export async function putFelt(
  data: StudioData,
  clientId: string,
  id: string,
  body: FeltBody,
  today: PlainDate,
): Promise<FocusView> {
  return data.transaction(async (tx) => {
    await tx.get(ClientEntity, clientId, 'client');
    if (await tx.isNew(FeltEntity, id, { clientId, ...body })) {
      if (body.date > today)
        throw new HttpProblem('validation', 'Mend the fields listed and send again.', {
          errors: [{ path: 'date', message: 'This day lies in the future.' }],
        });
      await tx.insert(FeltEntity, {
        ...body,
        id,
        clientId,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: new Date(),
      });
    }
    return focusView(tx, clientId);
  });
}
