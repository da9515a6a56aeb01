import pg from "pg";
import type { World } from "./world";

interface PlanNode {
  readonly "Actual Rows": number;
  readonly "Actual Loops": number;
  readonly "Rows Removed by Filter"?: number;
  readonly "Rows Removed by Join Filter"?: number;
  readonly "Rows Removed by Index Recheck"?: number;
  readonly Plans?: readonly PlanNode[];
}
interface Asked {
  readonly name?: string;
  readonly text: string;
}
interface Explained {
  readonly rows: readonly [{ readonly "QUERY PLAN": readonly [{ readonly Plan: PlanNode }] }];
}
type Ask = (asked: Asked, values: readonly unknown[]) => unknown;

/** Every row that a step of a plan took up, kept or not, as often as it did. */
const rowsOf = (node: PlanNode): number =>
  node["Actual Loops"] *
    (node["Actual Rows"] +
      (node["Rows Removed by Filter"] ?? 0) +
      (node["Rows Removed by Join Filter"] ?? 0) +
      (node["Rows Removed by Index Recheck"] ?? 0)) +
  (node.Plans ?? []).reduce((sum, one) => sum + rowsOf(one), 0);

const literal = (value: unknown): string =>
  Array.isArray(value)
    ? pg.escapeLiteral(`{${value.map((one) => JSON.stringify(one)).join(",")}}`)
    : pg.escapeLiteral(String(value));

/**
 * Runs something that asks the database one statement, and has it carried out and explained (EXPLAIN ANALYZE): how many
 * rows its steps take up. The plan is the one that this connection keeps for the statement, if it has run before.
 * @param answer the row that is answered in its place
 */
export async function rowsConsidered(
  { database: { pool } }: World,
  answer: object,
  run: () => Promise<unknown>,
): Promise<number> {
  const plain = pool.query.bind(pool) as Ask;
  let rows = 0;
  const explained: Ask = async ({ name, text }, values) => {
    const asked = name ? `execute "${name}"(${values.map(literal).join(", ")})` : text;
    const told = (await plain({ text: `explain (analyze, format json) ${asked}` }, name ? [] : values)) as Explained;
    rows += rowsOf(told.rows[0]["QUERY PLAN"][0].Plan);
    return { rows: [answer] };
  };
  Object.assign(pool, { query: explained });
  try {
    await run();
  } finally {
    Object.assign(pool, { query: plain });
  }
  return rows;
}
