import { createHash, randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { minuteMs } from "@/core/time";
import { recordStores, statementPosts } from "@/server/db/schema";
import { changeCredit, creditsOf, issueCredit } from "@/server/services/afterwards/credit";
import { postDueStatements } from "@/server/services/afterwards/post-statements";
import {
  postStatements,
  recordStoreOf,
  saveRecordStore,
  statementPostOf,
} from "@/server/services/afterwards/record-store";
import { startRecordStore } from "@/stand-ins/record-store";
import { heldLive } from "../support/held";
import {
  addMember,
  addTicket,
  makeEvent,
  makeWorld,
  startOfTime,
  stayed,
  type MadeEvent,
  type World,
} from "../support/world";

const port = 23_410;
let world: World;
let event: MadeEvent;
let store: ReturnType<typeof startRecordStore>;
const own = { url: `http://127.0.0.1:${port}/xapi`, userName: "stage-call", password: "sand-and-mud" };
beforeAll(async () => {
  const made = await makeWorld();
  // the stand-in is on this machine, which only a house that is on it itself may reach
  const environment = { ...made.context.environment, STAGE_CALL_URL: "http://127.0.0.1:3000" };
  world = { ...made, context: { ...made.context, environment } };
  store = startRecordStore({ port, userName: own.userName, password: own.password });
});
afterAll(async () => {
  store.close();
  await world.close();
});

/** A date that gave credit to one who stayed; one more came for a moment. */
beforeEach(async () => {
  world.clock.set(startOfTime);
  event = await makeEvent(world, { creditPoints: 2, creditThresholdPercent: 75 });
  const [stays, leaves] = [
    await addTicket(world, event, "attendee", "Ines Marl"),
    await addTicket(world, event, "attendee", "Oskar Vell"),
  ];
  const { raisedAt, droppedAt } = await heldLive(world, event.occurrenceId);
  await stayed(world, event.occurrenceId, stays, { fromAt: raisedAt, toAt: droppedAt });
  await stayed(world, event.occurrenceId, leaves, { fromAt: raisedAt, toAt: raisedAt + 5 * minuteMs });
  await issueCredit(world.context, world.owner, event.eventId, event.occurrenceId);
});

const ask = () => postStatements(world.context, world.owner, event.eventId, event.occurrenceId);
const state = () => statementPostOf(world.context.db, event.occurrenceId);
const ofDate = () => store.statements().filter((one) => one.object.id.endsWith(event.occurrenceId));

describe("statements for a record store (ADL, xAPI 1.0.3)", () => {
  it("arrive once, however often they are posted, and once more where a certificate was put right", async () => {
    await saveRecordStore(world.context, world.owner, own);
    await ask();
    expect(await state()).toMatchObject({ state: "on-its-way" });
    await postDueStatements(world.context);
    expect(await state()).toMatchObject({ state: "posted", sent: 3, total: 3 });
    const verbs = () =>
      ofDate()
        .map((one) => one.verb.id.split("/").at(-1))
        .sort();
    expect(verbs()).toEqual(["attended", "attended", "passed"]);
    await ask();
    await postDueStatements(world.context);
    expect(verbs()).toEqual(["attended", "attended", "passed"]);
    const [credit] = await creditsOf(world.context.db, event.occurrenceId);
    const change = { creditId: credit!.id, points: 1.5, isWithdrawn: false, why: "left early" };
    await changeCredit(world.context, world.owner, event.eventId, event.occurrenceId, change);
    await ask();
    await postDueStatements(world.context);
    expect(verbs()).toEqual(["attended", "attended", "passed", "passed"]);
  });

  it("wait for a store that does not answer, and are given up in the end", async () => {
    await saveRecordStore(world.context, world.owner, { ...own, url: "http://127.0.0.1:23411/xapi" });
    await ask();
    await postDueStatements(world.context);
    expect(await state()).toMatchObject({ state: "waits", sent: 0 });
    // not before its time
    expect(await postDueStatements(world.context)).toBe(0);
    for (let i = 0; i < 10; i += 1) {
      world.clock.advance(600 * minuteMs);
      await postDueStatements(world.context);
    }
    expect(await state()).toMatchObject({ state: "given-up" });
  });

  it("stop at a store that says no", async () => {
    await saveRecordStore(world.context, world.owner, { ...own, password: "wrong" });
    await ask();
    await postDueStatements(world.context);
    expect(await state()).toMatchObject({ state: "refused" });
    const [row] = await world.context.db
      .select()
      .from(statementPosts)
      .where(eq(statementPosts.occurrenceId, event.occurrenceId));
    expect(row!.dueAt).toBeNull();
  });

  it("have an address that is the owner's to set, with a password that nobody reads again and that follows no other address", async () => {
    await saveRecordStore(world.context, world.owner, own);
    expect(await recordStoreOf(world.context, world.owner)).toEqual({ url: own.url, userName: own.userName });
    const kept = await world.context.db.select().from(recordStores);
    expect(JSON.stringify(kept)).not.toContain(own.password);
    // the password stays where it was typed for
    await saveRecordStore(world.context, world.owner, { ...own, password: "" });
    const elsewhere = { url: "http://127.0.0.1:9/xapi", userName: own.userName, password: "" };
    await expect(saveRecordStore(world.context, world.owner, elsewhere)).rejects.toMatchObject({
      failure: { code: "invalid-input", issues: [{ path: "password" }] },
    });
    for (const url of ["ftp://records.example.org", "https://", "records"])
      await expect(saveRecordStore(world.context, world.owner, { ...own, url })).rejects.toMatchObject({
        failure: { code: "invalid-input", issues: [{ path: "url", code: "not-a-store-address" }] },
      });
    const producer = await addMember(world.context, world.organisationId, "producer", "Not The Owner");
    await expect(saveRecordStore(world.context, producer, own)).rejects.toMatchObject({
      failure: { code: "not-allowed" },
    });
    await saveRecordStore(world.context, world.owner, { url: "", userName: "", password: "" });
    await expect(ask()).rejects.toMatchObject({ failure: { code: "no-record-store" } });
  });

  it("are held by the stand-in to what the standard asks: who it is, which version, one meaning an id", async () => {
    const post = (body: unknown, headers: Record<string, string> = {}) =>
      fetch(`${own.url}/statements`, {
        method: "POST",
        headers: {
          authorization: `Basic ${btoa(`${own.userName}:${own.password}`)}`,
          "x-experience-api-version": "1.0.3",
          ...headers,
        },
        body: JSON.stringify(body),
      }).then((answer) => answer.status);
    const statement = {
      id: randomUUID(),
      actor: { objectType: "Agent", mbox: "mailto:ines@example.org" },
      verb: { id: "http://adlnet.gov/expapi/verbs/attended" },
      object: { id: `https://stage.example.org/${createHash("md5").update("x").digest("hex")}` },
    };
    expect(await post([statement])).toBe(200);
    expect(await post([statement])).toBe(200);
    expect(await post([{ ...statement, verb: { id: "http://adlnet.gov/expapi/verbs/passed" } }])).toBe(409);
    expect(await post([statement], { authorization: "Basic bm8=" })).toBe(401);
    expect(await post([statement], { "x-experience-api-version": "0.9" })).toBe(400);
    expect(await post([{ ...statement, id: randomUUID(), actor: {} }])).toBe(400);
  });
});
