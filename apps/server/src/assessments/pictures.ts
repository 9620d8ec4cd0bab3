import { createHash } from 'node:crypto';
import { pictureQuerySchema } from '@yandle/contract/schemas';
import express, { Router, type Request } from 'express';
import { contextOf } from '../accounts/context.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { pathId, validQuery } from '../http/validate.js';
import { assertInCatalogue, loadTestCatalogue } from '../test-catalogue/catalogue.js';
import { AssessmentEntity, PictureEntity } from './entities.js';

/** Largest picture taken. The browser makes it smaller before sending. */
const MOST_BYTES = 3_000_000;

/** First bytes of the kinds of picture taken: what a file says of itself is not believed. */
const KINDS: readonly { type: string; starts: (b: Buffer) => boolean }[] = [
  { type: 'image/jpeg', starts: (b) => b.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff])) },
  { type: 'image/png', starts: (b) => b.subarray(0, 4).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47])) },
];

async function attach(
  data: StudioData,
  assessmentId: string,
  id: string,
  about: { testId: string; side: 'left' | 'right' | null },
  bytes: Buffer,
): Promise<void> {
  const kind = KINDS.find((k) => k.starts(bytes));
  if (!kind) throw new HttpProblem('unsupported-media-type', 'Send the picture as JPEG or PNG.');
  await data.transaction(async (tx) => {
    await tx.getLocked(AssessmentEntity, assessmentId, 'assessment');
    const request = { assessmentId, ...about, sha: createHash('sha256').update(bytes).digest('hex') };
    if (!(await tx.isNew(PictureEntity, id, request))) return;
    assertInCatalogue(await loadTestCatalogue(tx), [about.testId], () => 'testId');
    await tx.insert(PictureEntity, {
      id,
      assessmentId,
      ...about,
      mediaType: kind.type,
      bytes,
      requestHash: hashOf(request),
      createdAt: tx.now,
    });
  });
}

/** Pictures that coaches attached; they leave the browser only by that. */
export function pictureRoutes(): Router {
  const router = Router();
  const raw = express.raw({ type: KINDS.map((k) => k.type), limit: MOST_BYTES });

  router.put('/assessments/:id/pictures/:pictureId', raw, async (req: Request, res) => {
    const { testId, side } = validQuery(pictureQuerySchema, req.query);
    const id = pathId(req.params['id'], 'assessment');
    const pictureId = pathId(req.params['pictureId'], 'picture');
    const bytes: unknown = req.body;
    if (!Buffer.isBuffer(bytes) || bytes.length === 0)
      throw new HttpProblem('unsupported-media-type', 'Send the picture as JPEG or PNG.');
    await attach(contextOf(res).data, id, pictureId, { testId, side: side === '' ? null : side }, bytes);
    res.status(204).end();
  });
  router.get('/pictures/:id', async (req, res) => {
    const { data } = contextOf(res);
    const id = pathId(req.params.id, 'picture');
    const row = await data.findOne(
      PictureEntity,
      { id },
      { select: { id: true, studioId: true, mediaType: true, bytes: true } },
    );
    if (!row) throw notFound('picture');
    res.set('content-disposition', 'inline').type(row.mediaType).send(row.bytes);
  });
  router.delete('/pictures/:id', async (req, res) => {
    const { data } = contextOf(res);
    await data.delete(PictureEntity, { id: pathId(req.params.id, 'picture') });
    res.status(204).end();
  });
  return router;
}
