import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { minuteMs } from "@/core/time";
import { events, organisations, tries } from "@/server/db/schema";
import { createEvent, loadPlan } from "@/server/services/planning/events";
import { savePlan } from "@/server/services/planning/save-plan";
import {
  createFromTemplate,
  duplicateEvent,
  planFromTemplate,
  saveTemplate,
} from "@/server/services/planning/templates";
import { limits } from "@/server/services/ground/tries";
import { tryAccessCode } from "@/server/services/way-in/front-door";
import { goodPlan, makeEvent, makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const rowOf = async (eventId: string) =>
  (await world.context.db.select().from(events).where(eq(events.id, eventId)))[0]!;
const codeOf = async (eventId: string) => world.context.secrets.unseal((await rowOf(eventId)).accessCodeSealed!);
const organisation = async () =>
  (await world.context.db.select().from(organisations).where(eq(organisations.id, world.organisationId)))[0]!;
const privatePlan = (accessCode: string) => goodPlan({ isPrivate: true, accessCode, startLocal: "2027-06-03T18:00" });
const weak = { failure: { code: "invalid-input", issues: [{ path: "accessCode", code: "access-code-weak" }] } };

describe("access codes of private pages", () => {
  it("a new one cannot be guessed: short and monotonous ones are refused with what is needed", async () => {
    for (const code of ["1", "1111", "low-ti", "aaaaaaaaaaaa"]) {
      await expect(createEvent(world.context, world.owner, privatePlan(code))).rejects.toMatchObject(weak);
    }
    const { eventId } = await createEvent(world.context, world.owner, privatePlan("spoonbill-44"));
    expect(await codeOf(eventId)).toBe("spoonbill-44");
  });

  it("one that a page has from before stays until somebody changes it, and then a strong one is asked for", async () => {
    const { eventId } = await createEvent(world.context, world.owner, privatePlan("spoonbill-44"));
    const accessCodeSealed = world.context.secrets.seal("1111");
    await world.context.db.update(events).set({ accessCodeSealed }).where(eq(events.id, eventId));
    const { plan, event } = await loadPlan(world.context, world.owner, eventId);
    expect(plan.accessCode).toBe("1111");
    const { version } = await savePlan(
      world.context,
      world.owner,
      eventId,
      event.version,
      {
        ...plan,
        title: "Another title",
      },
      false,
    );
    await expect(
      savePlan(world.context, world.owner, eventId, version, { ...plan, accessCode: "2222" }, false),
    ).rejects.toMatchObject(weak);
    expect((await rowOf(eventId)).title).toBe("Another title");
  });

  it("each event has its own: a duplicate and an event from a template get fresh ones, a template keeps none", async () => {
    const { eventId } = await createEvent(world.context, world.owner, privatePlan("spoonbill-44"));
    const again = await duplicateEvent(world.context, world.owner, eventId);
    const templateId = await saveTemplate(world.context, world.owner, eventId, "Evenings for members");
    const plan = await planFromTemplate(world.context, world.owner, templateId, "2027-07-01T18:00");
    const made = await createFromTemplate(world.context, world.owner, templateId, plan);
    const codes = [await codeOf(eventId), await codeOf(again), await codeOf(made.eventId)];
    expect(new Set(codes).size).toBe(3);
    for (const code of codes.slice(1)) expect(code).toMatch(/^[a-z2-9]{3}(-[a-z2-9]{3}){3}$/);
  });

  it("who guesses is stopped by network, and from many networks by the page; the right code is no exception", async () => {
    const event = await makeEvent(world, { isPrivate: true, accessCode: "spoonbill-44" });
    const { slug } = await rowOf(event.eventId);
    const guess = async (code: string, network: string) =>
      tryAccessCode(world.context, await organisation(), slug, code, network);
    const most = limits["access-code"].count;
    for (let i = 0; i < most; i += 1) expect(await guess(`guess-${i}`, "one network")).toBeNull();
    await expect(guess("spoonbill-44", "one network")).rejects.toMatchObject({ failure: { code: "too-many-tries" } });
    // another network is let in
    expect(await guess("spoonbill-44", "another")).not.toBeNull();
    const left = limits["code-of-target"].count - most - 2;
    for (let i = 0; i < left; i += 1) await guess("wrong-again", `network ${i % 97} ${Math.floor(i / 97)}`);
    await expect(guess("spoonbill-44", "the last")).rejects.toMatchObject({ failure: { code: "too-many-tries" } });
    world.clock.advance(limits["code-of-target"].windowMs + minuteMs);
    expect(await guess("spoonbill-44", "the last")).not.toBeNull();
    // no address and no code stands in the table
    const kept = JSON.stringify(await world.context.db.select().from(tries));
    expect(kept).not.toMatch(/network|spoonbill/);
  });
});
