import { sql, type SQL, type SQLWrapper } from "drizzle-orm";
import { countedRole, stageRoles } from "@/core/people";

/** The lists of roles of `core/people`, asked in SQL: no query has a list of its own. */
export const isStage = (role: SQLWrapper): SQL<boolean> =>
  sql`${role} in (${sql.join(
    stageRoles.map((one) => sql`${one}`),
    sql`, `,
  )})`;
export const isCountedRole = (role: SQLWrapper): SQL<boolean> => sql`${role} = ${countedRole}`;
