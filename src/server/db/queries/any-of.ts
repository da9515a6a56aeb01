import { sql, type SQL } from "drizzle-orm";
import type { PgColumn } from "drizzle-orm/pg-core";

/** One of these ids: one parameter however many they are, so that a statement for a thousand costs what one for two does. */
export const anyOf = (column: PgColumn, ids: readonly string[]): SQL =>
  sql`${column} = any(${sql.param([...ids])}::uuid[])`;
