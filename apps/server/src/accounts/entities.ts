import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { IdColumn, InstantColumn, RefColumn } from '../database/columns.js';

/** The tenant. */
@Entity('studio')
export class StudioEntity {
  @IdColumn() id!: string;
  @Column({ name: 'name', type: 'varchar', length: 120 }) name!: string;
  @Column({ name: 'time_zone', type: 'varchar', length: 64 }) timeZone!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

@Entity('coach')
@Index('IDX_coach_studio', ['studioId'])
export class CoachEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_coach_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'name', type: 'varchar', length: 120 }) name!: string;
  @Index('IDX_coach_email', { unique: true })
  @Column({ name: 'email', type: 'varchar', length: 254 })
  email!: string;
  @Column({ name: 'password_hash', type: 'varchar', length: 255 }) passwordHash!: string;
  @CreateDateColumn({ name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' })
  createdAt!: Date;
}

/** A signed-in browser. Only the hash of the cookie's id is kept. */
@Entity('auth_session')
export class AuthSessionEntity {
  @PrimaryColumn({ name: 'sid_hash', type: 'char', length: 64, charset: 'ascii', collation: 'ascii_bin' })
  sidHash!: string;
  @Column({ name: 'data', type: 'text' }) data!: string;
  @Index('IDX_auth_session_expires')
  @InstantColumn('expires_at')
  expiresAt!: Date;
}
