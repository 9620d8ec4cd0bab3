import type { SelfReport, SelfReportBody, PrioritiesBody, PrioritiesView, Goal, GoalBody } from '@yandle/contract';
import { isPlausible, refusalWords, testInCatalogue, type PlainDate } from '@yandle/core';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { assertVersion } from '../database/versioned.js';
import { HttpProblem } from '../http/problem.js';
import { assertInCatalogue, loadTestCatalogue } from '../test-catalogue/catalogue.js';
import { SelfReportEntity, PrioritiesEntity, GoalEntity } from './entities.js';

const NOTHING: Omit<PrioritiesBody, 'version'> = { interests: [], pinned: [], excluded: [], order: [], quickCheck: [] };

const goalView = (g: GoalEntity): Goal => ({
  id: g.id,
  testId: g.testId,
  value: Number(g.value),
  due: g.due,
  words: g.words,
  setOn: g.setOn,
  endedOn: g.endedOn,
});

const selfReportView = (f: SelfReportEntity): SelfReport => ({
  id: f.id,
  date: f.date,
  region: f.region,
  kind: f.kind,
  moment: f.moment,
  score: f.score,
  habits: f.habits,
});

/** Goals, complaints and decisions of a client. */
export async function prioritiesView(data: StudioData, clientId: string): Promise<PrioritiesView> {
  await data.get(ClientEntity, clientId, 'client');
  const priorities = await data.findOne(PrioritiesEntity, { id: clientId });
  const goals = await data.find(GoalEntity, { clientId }, { order: { setOn: 'ASC', id: 'ASC' } });
  const selfReports = await data.find(SelfReportEntity, { clientId }, { order: { date: 'DESC', id: 'DESC' } });
  return {
    priorities: priorities ? { ...priorities.content, version: priorities.version } : { ...NOTHING, version: null },
    goals: goals.map(goalView),
    selfReports: selfReports.map(selfReportView),
  };
}

export async function putPriorities(data: StudioData, clientId: string, body: PrioritiesBody): Promise<PrioritiesView> {
  return data.transaction(async (tx) => {
    // The client's row is the lock: two first edits at once would both find no priorities.
    await tx.getLocked(ClientEntity, clientId, 'client');
    assertInCatalogue(await loadTestCatalogue(tx), body.quickCheck, (i) => `quickCheck.${i}`);
    const { version, ...content } = body;
    const row = await tx.findOne(PrioritiesEntity, { id: clientId });
    if (!row && version === null) await tx.insert(PrioritiesEntity, { id: clientId, version: 1, content });
    else if (row && version === null) {
      // The same first edit again.
      if (hashOf(row.content) !== hashOf(content)) assertVersion(row, 0, { ...row.content, version: row.version });
    } else {
      assertVersion(row ?? { version: 0 }, version!, row ? { ...row.content, version: row.version } : null);
      await tx.update(PrioritiesEntity, { id: clientId }, { content, version: version! + 1 });
    }
    return prioritiesView(tx, clientId);
  });
}

export async function putGoal(
  data: StudioData,
  clientId: string,
  id: string,
  body: GoalBody,
  today: PlainDate,
): Promise<PrioritiesView> {
  return data.transaction(async (tx) => {
    await tx.get(ClientEntity, clientId, 'client');
    if (await tx.isNew(GoalEntity, id, { clientId, ...body })) {
      const catalogue = await loadTestCatalogue(tx);
      assertInCatalogue(catalogue, [body.testId], () => 'testId');
      const refuse = (path: string, message: string): never => {
        throw new HttpProblem('validation', 'Fix the fields below and save again.', { errors: [{ path, message }] });
      };
      const test = testInCatalogue(catalogue, body.testId);
      if (!isPlausible(body.value, test)) refuse('value', refusalWords({ code: 'implausible', args: test.plausible }));
      if (body.due !== null && body.due <= today) refuse('due', 'A goal lies ahead. Choose a later day, or none.');
      // One goal a test: the earlier one ends today.
      const current = (await tx.find(GoalEntity, { clientId, testId: body.testId })).filter((g) => !g.endedOn);
      for (const g of current) await tx.update(GoalEntity, { id: g.id }, { endedOn: today });
      await tx.insert(GoalEntity, {
        ...body,
        id,
        clientId,
        value: body.value.toFixed(2),
        setOn: today,
        endedOn: null,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: tx.now,
      });
    }
    return prioritiesView(tx, clientId);
  });
}

/** Ends a goal; ending it again changes nothing. */
export async function endGoal(data: StudioData, id: string, today: PlainDate): Promise<PrioritiesView> {
  return data.transaction(async (tx) => {
    const goal = await tx.getLocked(GoalEntity, id, 'goal');
    if (goal.endedOn === null) await tx.update(GoalEntity, { id }, { endedOn: today });
    return prioritiesView(tx, goal.clientId);
  });
}

export async function putSelfReport(
  data: StudioData,
  clientId: string,
  id: string,
  body: SelfReportBody,
  today: PlainDate,
): Promise<PrioritiesView> {
  return data.transaction(async (tx) => {
    await tx.get(ClientEntity, clientId, 'client');
    if (await tx.isNew(SelfReportEntity, id, { clientId, ...body })) {
      if (body.date > today)
        throw new HttpProblem('validation', 'Fix the fields below and save again.', {
          errors: [{ path: 'date', message: 'This day is in the future.' }],
        });
      await tx.insert(SelfReportEntity, {
        ...body,
        id,
        checkInId: null,
        clientId,
        requestHash: hashOf({ clientId, ...body }),
        createdAt: tx.now,
      });
    }
    return prioritiesView(tx, clientId);
  });
}
