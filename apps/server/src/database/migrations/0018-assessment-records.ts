import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * Assessments and readings can be taken back, an assessment dated anew with the earlier entry kept; an assessment without readings counts as none;
 * a reading says whether the last value was shown before it; a retest can be moved. Each step may be run again.
 */
export class AssessmentRecords1798000000000 implements MigrationInterface {
  readonly name = 'AssessmentRecords1798000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'ALTER TABLE assessment ADD COLUMN IF NOT EXISTS removed_at datetime(3) NULL, ADD COLUMN IF NOT EXISTS counts tinyint(1) NOT NULL DEFAULT 0',
    );
    await runner.query(
      'ALTER TABLE reading ADD COLUMN IF NOT EXISTS withdrawn_at datetime(3) NULL, ADD COLUMN IF NOT EXISTS seen tinyint(1) NOT NULL DEFAULT 0',
    );
    await runner.query('ALTER TABLE retest ADD COLUMN IF NOT EXISTS moved tinyint(1) NOT NULL DEFAULT 0');
    await runner.query(
      'UPDATE assessment SET counts = 1 WHERE EXISTS (SELECT 1 FROM reading r WHERE r.assessment_id = assessment.id)',
    );
    await runner.query(
      'ALTER TABLE assessment ADD INDEX IF NOT EXISTS IDX_assessment_counts (client_id, counts, date)',
    );
    await runner.query(
      `CREATE TABLE IF NOT EXISTS assessment_change (
        id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
        studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
        assessment_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
        coach_id char(36) CHARACTER SET ascii COLLATE ascii_bin NULL,
        date date NOT NULL,
        time char(5) NOT NULL,
        warm tinyint NOT NULL,
        note varchar(2000) NOT NULL,
        request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
        created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
        INDEX IDX_assessment_change_assessment (assessment_id),
        INDEX IDX_assessment_change_studio (studio_id),
        PRIMARY KEY (id),
        CONSTRAINT FK_assessment_change_studio FOREIGN KEY (studio_id) REFERENCES studio (id) ON DELETE CASCADE ON UPDATE NO ACTION,
        CONSTRAINT FK_assessment_change_assessment FOREIGN KEY (assessment_id) REFERENCES assessment (id) ON DELETE CASCADE ON UPDATE NO ACTION
      ) ENGINE=InnoDB`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE IF EXISTS assessment_change');
    await runner.query('ALTER TABLE retest DROP COLUMN IF EXISTS moved');
    await runner.query('ALTER TABLE assessment DROP INDEX IF EXISTS IDX_assessment_counts');
    await runner.query('ALTER TABLE reading DROP COLUMN IF EXISTS withdrawn_at, DROP COLUMN IF EXISTS seen');
    await runner.query('ALTER TABLE assessment DROP COLUMN IF EXISTS removed_at, DROP COLUMN IF EXISTS counts');
  }
}
