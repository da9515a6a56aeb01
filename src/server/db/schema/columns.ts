import { customType, uuid } from "drizzle-orm/pg-core";

/** An instant: `timestamptz` in the database, milliseconds since the epoch in the program. */
export const instant = customType<{ data: number; driverData: string }>({
  dataType: () => "timestamp(3) with time zone",
  toDriver: (ms) => new Date(ms).toISOString(),
  fromDriver: (value) => new Date(value).getTime(),
});

export const organisationId = () => uuid("organisation_id").notNull();

/** Bytes as they are. */
export const binary = customType<{ data: Uint8Array; driverData: Buffer }>({
  dataType: () => "bytea",
  toDriver: (value) => Buffer.from(value),
  fromDriver: (value) => new Uint8Array(value),
});
