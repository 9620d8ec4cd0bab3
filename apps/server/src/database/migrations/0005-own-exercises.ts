import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP: readonly string[] = [
  `CREATE TABLE IF NOT EXISTS own_exercise (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    version int NOT NULL DEFAULT '1',
    retired tinyint NOT NULL,
    definition text NOT NULL,
    request_hash char(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_own_exercise_studio (studio_id),
    PRIMARY KEY (id),
    CONSTRAINT FK_own_exercise_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  `CREATE TABLE IF NOT EXISTS own_exercise_version (
    id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    studio_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    exercise_id char(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    version int NOT NULL,
    definition text NOT NULL,
    created_at datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
    INDEX IDX_own_exercise_version_studio (studio_id),
    UNIQUE INDEX IDX_own_exercise_version_exercise (exercise_id, version),
    PRIMARY KEY (id),
    CONSTRAINT FK_own_exercise_version_studio FOREIGN KEY (studio_id) REFERENCES studio(id) ON DELETE CASCADE ON UPDATE NO ACTION,
    CONSTRAINT FK_own_exercise_version_exercise FOREIGN KEY (exercise_id) REFERENCES own_exercise(id) ON DELETE CASCADE ON UPDATE NO ACTION
  ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
];

/** Exercises of a studio's own, with what they were before. */
export class OwnExercises1795700000000 implements MigrationInterface {
  readonly name = 'OwnExercises1795700000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['own_exercise_version', 'own_exercise']) await runner.query(`DROP TABLE IF EXISTS ${table}`);
  }
}
