import { describe, expect, it } from "vitest";
import type { SQL } from "drizzle-orm";
import { PgDialect } from "drizzle-orm/pg-core";
import type { Db } from "../db/client";
import { Relay } from "./relay";

/** What would go to the other processes: the payloads of NOTIFY, as the database would get them. */
function listening() {
  const told: Record<string, unknown>[] = [];
  const db = {
    execute: (query: SQL) => {
      const { params } = new PgDialect().sqlToQuery(query);
      const payload = params.find((one) => typeof one === "string" && one.startsWith("{"));
      told.push(JSON.parse(String(payload)) as Record<string, unknown>);
      return Promise.resolve({ rows: [] });
    },
  } as unknown as Db;
  return { db, told };
}
const of = (told: readonly Record<string, unknown>[], date: string) => told.filter((one) => one["room"] === date);

describe("what a process tells the others, once a tick", () => {
  it("is that facts came, once for each date, with the feeds that grew", async () => {
    const { db, told } = listening();
    const relay = new Relay();
    relay.facts("d1", ["chat:all"]);
    relay.facts("d1", ["chat:all", "chat:team"]);
    relay.facts("d2", []);
    await relay.tell(db, "me");
    expect(told).toHaveLength(2);
    expect(JSON.stringify(of(told, "d1"))).toContain("chat:team");
    expect(JSON.stringify(told).match(/chat:all/g)).toHaveLength(1);
    expect(of(told, "d2")).toHaveLength(1);
    for (const one of told) expect(JSON.stringify(one)).toContain("me");
  });
  it("is of whispers the last of each person alone", async () => {
    const { db, told } = listening();
    const relay = new Relay();
    for (const level of [10, 20, 90]) relay.whisper("d1", ["t1", { type: "stage.level", level }]);
    await relay.tell(db, "me");
    const text = JSON.stringify(told);
    expect(text).toContain("90");
    expect(text).not.toContain("20");
  });
  it("is told once: nothing new, nothing said", async () => {
    const { db, told } = listening();
    const relay = new Relay();
    relay.facts("d1", []);
    await relay.tell(db, "me");
    await relay.tell(db, "me");
    expect(told).toHaveLength(1);
  });
});
