import { Column, PrimaryColumn } from 'typeorm';

/** Ids are UUIDs in plain ASCII: compared byte by byte, 36 bytes. */
const UUID_COLUMN = { type: 'char', length: 36, charset: 'ascii', collation: 'ascii_bin' } as const;

/** The id of something that ships, or of a studio's own with its prefix. */
export const CATALOGUE_ID = { type: 'varchar', length: 60, charset: 'ascii', collation: 'ascii_bin' } as const;

/** The primary key: a UUID made by whoever creates the row. */
export function IdColumn(): PropertyDecorator {
  return PrimaryColumn({ ...UUID_COLUMN, name: 'id' });
}

/** A reference to another row. */
export function RefColumn(name: string, options: { nullable?: boolean } = {}): PropertyDecorator {
  return Column({ ...UUID_COLUMN, name, nullable: options.nullable ?? false });
}

/** A UTC instant with milliseconds. */
export function InstantColumn(name: string, options: { nullable?: boolean } = {}): PropertyDecorator {
  return Column({ type: 'datetime', precision: 3, name, nullable: options.nullable ?? false });
}

/** SHA-256 of the body that created the row: the same body again gives the same answer, another one a conflict. */
export function RequestHashColumn(): PropertyDecorator {
  return Column({ type: 'char', length: 64, charset: 'ascii', collation: 'ascii_bin', name: 'request_hash' });
}
