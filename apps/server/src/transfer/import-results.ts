import { IMPORT_ERRORS, IMPORT_LINES, type ImportLineError, type ImportReport } from '@yandle/contract';
import {
  lineFaultWords,
  MAX_READINGS,
  readResultLine,
  type ImportedReading,
  type PlainDate,
  type TestCatalogue,
} from '@yandle/core';
import { In, IsNull } from 'typeorm';
import { v5 } from 'uuid';
import { CoachEntity } from '../accounts/entities.js';
import { AssessmentEntity, ReadingEntity } from '../assessments/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { hashOf, type StudioData } from '../database/studio-data.js';
import { HttpProblem } from '../http/problem.js';
import { loadTestCatalogue } from '../test-catalogue/catalogue.js';
import type { NumberedLine } from './read-lines.js';

/** Readings handled at once: memory stays bounded whatever the length of the file. */
const BATCH = 1000;
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

interface Person {
  readonly id: string;
  readonly name: string;
  readonly birthDate: PlainDate;
}

/** Finds by id or name; a name that two carry is refused. */
class Directory<T extends { readonly id: string; readonly name: string }> {
  private readonly byId = new Map<string, T>();
  private readonly byName = new Map<string, T | 'several'>();
  constructor(rows: readonly T[]) {
    for (const row of rows) {
      this.byId.set(row.id, row);
      const name = row.name.trim().toLowerCase();
      this.byName.set(name, this.byName.has(name) ? 'several' : row);
    }
  }
  find(text: string): T | 'several' | null {
    return this.byId.get(text) ?? this.byName.get(text.toLowerCase()) ?? null;
  }
}

interface Ready {
  readonly line: number;
  readonly reading: ImportedReading;
  readonly clientId: string;
  readonly testerId: string;
}

interface Assessment {
  readonly id: string;
  /** Readings so far, per test and side. */
  readonly taken: Map<string, number>;
  seq: number;
}

/** One import: reads, checks, and (unless it is a dry run) writes inside the transaction it is given. */
class Import {
  private lines = 0;
  private readings = 0;
  private known = 0;
  private newAssessments = 0;
  private errorCount = 0;
  private readonly errors: ImportLineError[] = [];
  private readonly clientsSeen = new Set<string>();
  private readonly assessments = new Map<string, Assessment>();
  /** How often the same content came: two equal readings of a side are two readings. */
  private readonly copies = new Map<string, number>();
  private readonly idsSeen = new Set<string>();

  constructor(
    private readonly tx: StudioData,
    private readonly catalogue: TestCatalogue,
    private readonly people: Directory<Person>,
    private readonly coaches: Directory<CoachEntity>,
    private readonly me: string,
    private readonly today: PlainDate,
    private readonly dryRun: boolean,
  ) {}

  private wrong(line: number, column: ImportLineError['column'], message: string): null {
    this.errorCount++;
    if (this.errors.length < IMPORT_ERRORS) this.errors.push({ line, column, message });
    return null;
  }

  private understand({ line, cells }: NumberedLine): Ready | null {
    const out = readResultLine(cells, this.catalogue);
    if ('errors' in out) {
      for (const e of out.errors) this.wrong(line, e.column, lineFaultWords(e.fault));
      return null;
    }
    const { reading } = out;
    const client = this.people.find(reading.client);
    if (client === null)
      return this.wrong(line, 'client', `There is no client "${reading.client}". Add the client first.`);
    if (client === 'several')
      return this.wrong(line, 'client', `Two clients are called "${reading.client}". Enter the id of one instead.`);
    const tester = reading.tester === null ? null : this.coaches.find(reading.tester);
    if (reading.tester !== null && (tester === null || tester === 'several'))
      return this.wrong(
        line,
        'tester',
        `No single coach is called "${reading.tester}". Leave it out to be the tester.`,
      );
    if (reading.date > this.today) return this.wrong(line, 'date', 'An assessment can’t be in the future.');
    if (reading.date < client.birthDate) return this.wrong(line, 'date', 'This is before the client was born.');
    this.clientsSeen.add(client.id);
    return { line, reading, clientId: client.id, testerId: tester && tester !== 'several' ? tester.id : this.me };
  }

  private assessmentKey(r: Ready): string {
    const { date, time, warm } = r.reading;
    return [r.clientId, date, time, warm, r.testerId].join('|');
  }

  /** Same file, same ids: sending it twice counts once. */
  private idOf(r: Ready): string {
    const { id, test, side, value } = r.reading;
    if (id !== null) return v5(`id|${id}`, this.tx.studioId);
    const content = [this.assessmentKey(r), test.id, side, value].join('|');
    const copy = (this.copies.get(content) ?? 0) + 1;
    this.copies.set(content, copy);
    return v5(`content|${content}|${copy}`, this.tx.studioId);
  }

  /** Assessments of a batch: met before in this file, in the database, or new. */
  private async findAssessments(batch: readonly Ready[]): Promise<void> {
    const unmet = batch.filter((r) => !this.assessments.has(this.assessmentKey(r)));
    if (unmet.length === 0) return;
    const found = await this.tx.find(AssessmentEntity, {
      clientId: In([...new Set(unmet.map((r) => r.clientId))]),
      date: In([...new Set(unmet.map((r) => r.reading.date))]),
    });
    const readings = found.length
      ? await this.tx.find(ReadingEntity, { assessmentId: In(found.map((a) => a.id)) }, { order: { seq: 'ASC' } })
      : [];
    for (const a of found) {
      const key = [a.clientId, a.date, a.time, a.warm, a.testerId].join('|');
      if (this.assessments.has(key)) continue;
      const own = readings.filter((t) => t.assessmentId === a.id);
      const taken = new Map<string, number>();
      for (const t of own.filter((x) => x.replacedBy === null && x.withdrawnAt === null)) {
        const place = `${t.testId}|${t.side}`;
        taken.set(place, (taken.get(place) ?? 0) + 1);
      }
      this.assessments.set(key, { id: a.id, taken, seq: own.at(-1)?.seq ?? 0 });
    }
    const made: Omit<AssessmentEntity, 'studioId'>[] = [];
    for (const r of unmet) {
      const key = this.assessmentKey(r);
      if (this.assessments.has(key)) continue;
      const id = v5(`assessment|${key}`, this.tx.studioId);
      this.assessments.set(key, { id, taken: new Map(), seq: 0 });
      this.newAssessments++;
      made.push({
        id,
        clientId: r.clientId,
        testerId: r.testerId,
        date: r.reading.date,
        time: r.reading.time,
        warm: r.reading.warm,
        note: '',
        battery: null,
        removedAt: null,
        counts: true,
        requestHash: hashOf({ imported: key }),
        createdAt: this.tx.now,
      });
    }
    if (this.writes) await this.tx.insertMany(AssessmentEntity, made);
  }

  /** After the first error nothing more is written: it would be rolled back anyway. */
  private get writes(): boolean {
    return !this.dryRun && this.errorCount === 0;
  }

  private async take(batch: readonly Ready[]): Promise<void> {
    const withIds = batch.map((r) => ({ r, id: this.idOf(r) }));
    const given = batch.flatMap((r) => (r.reading.id !== null && UUID.test(r.reading.id) ? [r.reading.id] : []));
    const there = new Set(
      (
        await this.tx.find(
          ReadingEntity,
          { id: In([...withIds.map((w) => w.id), ...given]) },
          { select: { id: true, studioId: true } },
        )
      ).map((t) => t.id),
    );
    const fresh = withIds.filter(({ r, id }) => {
      const here = there.has(id) || (r.reading.id !== null && there.has(r.reading.id)) || this.idsSeen.has(id);
      if (r.reading.id !== null) this.idsSeen.add(id);
      if (here) this.known++;
      return !here;
    });
    await this.findAssessments(fresh.map((f) => f.r));
    const rows: Omit<ReadingEntity, 'studioId'>[] = [];
    for (const { r, id } of fresh) {
      const assessment = this.assessments.get(this.assessmentKey(r))!;
      const { test, side, value, instrument } = r.reading;
      const place = `${test.id}|${side}`;
      const count = (assessment.taken.get(place) ?? 0) + 1;
      if (count > MAX_READINGS) {
        this.wrong(r.line, 'value', `This assessment has ${MAX_READINGS} readings of this test and side already.`);
        continue;
      }
      assessment.taken.set(place, count);
      this.readings++;
      rows.push({
        id,
        assessmentId: assessment.id,
        seq: ++assessment.seq,
        testId: test.id,
        side,
        value: value.toFixed(2),
        instrument,
        warm: null,
        testerId: null,
        replaces: null,
        replacedBy: null,
        seen: false,
        withdrawnAt: null,
        requestHash: hashOf({ imported: id }),
        createdAt: this.tx.now,
      });
    }
    if (!this.writes) return;
    await this.tx.insertMany(ReadingEntity, rows);
    // One that was there already, without a reading, counts from now on.
    const ids = In([...new Set(rows.map((r) => r.assessmentId))]);
    await this.tx.update(AssessmentEntity, { id: ids, removedAt: IsNull() }, { counts: true });
  }

  async run(lines: AsyncIterable<NumberedLine>): Promise<ImportReport> {
    let batch: Ready[] = [];
    for await (const line of lines) {
      if (++this.lines > IMPORT_LINES)
        throw new HttpProblem('body-too-large', `At most ${IMPORT_LINES} lines at once. Send the file in parts.`);
      const ready = this.understand(line);
      if (ready) batch.push(ready);
      if (batch.length >= BATCH) {
        await this.take(batch);
        batch = [];
      }
    }
    if (batch.length > 0) await this.take(batch);
    return {
      dryRun: this.dryRun,
      lines: this.lines,
      readings: this.readings,
      known: this.known,
      assessments: this.newAssessments,
      clients: this.clientsSeen.size,
      errorCount: this.errorCount,
      errors: this.errors,
    };
  }
}

/**
 * Imports readings, all or nothing. A dry run writes nothing and reports what would come.
 * @throws HttpProblem `import-refused` with the report when a line has an error
 */
export async function importResults(
  data: StudioData,
  lines: AsyncIterable<NumberedLine>,
  who: { coachId: string; today: PlainDate },
  dryRun: boolean,
): Promise<ImportReport> {
  return data.transaction(
    async (tx) => {
      const people = await tx.find(
        ClientEntity,
        {},
        { select: { id: true, name: true, birthDate: true, studioId: true } },
      );
      const job = new Import(
        tx,
        await loadTestCatalogue(tx),
        new Directory<Person>(people),
        new Directory(await tx.find(CoachEntity, {})),
        who.coachId,
        who.today,
        dryRun,
      );
      const report = await job.run(lines);
      if (report.errorCount > 0 && !dryRun)
        throw new HttpProblem('import-refused', 'Fix the lines listed and send the file again. Nothing was written.', {
          current: report,
        });
      if (!dryRun) await tx.audit('results-imported');
      return report;
    },
    { once: true },
  );
}
