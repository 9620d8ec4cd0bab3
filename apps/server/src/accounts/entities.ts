import type { CoachRole, StudioSettings } from '@yandle/contract';
import { Column, CreateDateColumn, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import { IdColumn, InstantColumn, RefColumn } from '../database/columns.js';

const CREATED = { name: 'created_at', type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' } as const;
const HASH = { type: 'char', length: 64, charset: 'ascii', collation: 'ascii_bin' } as const;

/** The tenant. */
@Entity('studio')
export class StudioEntity {
  @IdColumn() id!: string;
  @Column({ name: 'name', type: 'varchar', length: 120 }) name!: string;
  @Column({ name: 'time_zone', type: 'varchar', length: 64 }) timeZone!: string;
  /** Months after which archived clients are erased; null keeps them. */
  @Column({ name: 'retention_months', type: 'int', nullable: true }) retentionMonths!: number | null;
  /** What was settled; null for nothing yet. Read through `settingsOf`. */
  @Column({ name: 'settings', type: 'simple-json', nullable: true }) settings!: Partial<StudioSettings> | null;
  @CreateDateColumn(CREATED) createdAt!: Date;
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
  /** Compared letter by letter: mára@ is not mara@. Null once removed, so that the address is free again. */
  @Index('IDX_coach_email', { unique: true })
  @Column({
    name: 'email',
    type: 'varchar',
    length: 254,
    charset: 'utf8mb4',
    collation: 'utf8mb4_bin',
    nullable: true,
  })
  email!: string | null;
  @Column({ name: 'password_hash', type: 'varchar', length: 255 }) passwordHash!: string;
  @Column({ name: 'role', type: 'varchar', length: 10, default: 'coach' }) role!: CoachRole;
  /** Who looks after this coach's clients meanwhile, and to which day. */
  @RefColumn('stand_in_id', { nullable: true }) standInId!: string | null;
  @Column({ name: 'stand_in_until', type: 'date', nullable: true }) standInUntil!: string | null;
  /** Base32 secret of the authenticator app; null without one. */
  @Column({ name: 'totp_secret', type: 'varchar', length: 64, nullable: true }) totpSecret!: string | null;
  /** A secret that was shown and not yet confirmed by a code. */
  @Column({ name: 'totp_offered', type: 'varchar', length: 64, nullable: true }) totpOffered!: string | null;
  /** Time step of the last code taken: each works once. */
  @Column({ name: 'totp_step', type: 'int', nullable: true }) totpStep!: number | null;
  /** SHA-256 of the recovery codes that are left. */
  @Column({ name: 'recovery_codes', type: 'simple-json', nullable: true }) recoveryCodes!: readonly string[] | null;
  /** By what the coach is qualified for nerve glides, and since when; null where they have not said so. */
  @Column({ name: 'glides_licence', type: 'varchar', length: 120, nullable: true }) glidesLicence!: string | null;
  @Column({ name: 'glides_since', type: 'date', nullable: true }) glidesSince!: string | null;
  /** Ids of exercises that the coach keeps at hand, in the order in which they came. */
  @Column({ name: 'favourites', type: 'simple-json', nullable: true }) favourites!: readonly string[] | null;
  @InstantColumn('removed_at', { nullable: true }) removedAt!: Date | null;
  @CreateDateColumn(CREATED) createdAt!: Date;
}

/** A signed-in browser. Only the hash of the cookie's id is kept. */
@Entity('auth_session')
@Index('IDX_auth_session_coach', ['coachId'])
export class AuthSessionEntity {
  @PrimaryColumn({ ...HASH, name: 'sid_hash' })
  sidHash!: string;
  @Column({ name: 'data', type: 'text' }) data!: string;
  @Index('IDX_auth_session_expires')
  @InstantColumn('expires_at')
  expiresAt!: Date;
  /** What a list of devices calls it: the hash stays here. */
  @RefColumn('id', { nullable: true }) id!: string | null;
  @RefColumn('coach_id', { nullable: true }) coachId!: string | null;
  @ManyToOne(() => CoachEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION', nullable: true })
  @JoinColumn({ name: 'coach_id', foreignKeyConstraintName: 'FK_auth_session_coach' })
  coach?: Relation<CoachEntity> | null;
  /** What the browser says it is, and where it came from when it signed in. */
  @Column({ name: 'agent', type: 'varchar', length: 200, default: '' }) agent!: string;
  @Column({ name: 'address', type: 'varchar', length: 45, default: '' }) address!: string;
  @InstantColumn('signed_in_at', { nullable: true }) signedInAt!: Date | null;
}

/** A private address by which somebody comes into the studio, or back in. Its token is given out once and kept hashed. */
@Entity('account_link')
@Index('IDX_account_link_studio', ['studioId'])
export class AccountLinkEntity {
  @IdColumn() id!: string;
  @RefColumn('studio_id') studioId!: string;
  @ManyToOne(() => StudioEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION' })
  @JoinColumn({ name: 'studio_id', foreignKeyConstraintName: 'FK_account_link_studio' })
  studio?: Relation<StudioEntity>;
  @Column({ name: 'kind', type: 'varchar', length: 12 }) kind!: 'invitation' | 'reset';
  /** Whom a reset lets back in; null for an invitation. */
  @RefColumn('coach_id', { nullable: true }) coachId!: string | null;
  @ManyToOne(() => CoachEntity, { onDelete: 'CASCADE', onUpdate: 'NO ACTION', nullable: true })
  @JoinColumn({ name: 'coach_id', foreignKeyConstraintName: 'FK_account_link_coach' })
  coach?: Relation<CoachEntity> | null;
  /** What an invited one becomes, and for whom it was made. */
  @Column({ name: 'role', type: 'varchar', length: 10, nullable: true }) role!: CoachRole | null;
  @Column({ name: 'note', type: 'varchar', length: 120, default: '' }) note!: string;
  @Index('IDX_account_link_token', { unique: true })
  @Column({ ...HASH, name: 'token_hash' })
  tokenHash!: string;
  @InstantColumn('expires_at') expiresAt!: Date;
  @InstantColumn('used_at', { nullable: true }) usedAt!: Date | null;
  @InstantColumn('revoked_at', { nullable: true }) revokedAt!: Date | null;
  @InstantColumn('created_at') createdAt!: Date;
}
