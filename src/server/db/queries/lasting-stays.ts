import { sql, type SQL, type SQLWrapper } from "drizzle-orm";

/**
 * A stay that lasts, where stays of certain devices or people are asked for: said so that the index of all lasting
 * stays is no way to them. Between events hardly any lasts; what is planned by that walks through everybody in a full
 * house, once for each who is asked about.
 */
export const lasts = (toAt: SQLWrapper): SQL => sql`coalesce(${toAt}, 'infinity') = 'infinity'`;
