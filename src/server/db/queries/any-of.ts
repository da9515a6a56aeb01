import { sql, type SQL } from "drizzle-orm";
import type { PgColumn } from "drizzle-orm/pg-core";

/**
 * Ids as one parameter, however many they are: a statement for a thousand costs what one for two does. As text, since
 * the driver would look through each for what must be escaped, and an id has nothing of the kind.
 */
export const idArray = (ids: readonly string[]): SQL => sql`${`{${ids.join(",")}}`}::uuid[]`;

/** One of these ids. */
export const anyOf = (column: PgColumn, ids: readonly string[]): SQL => sql`${column} = any(${idArray(ids)})`;
