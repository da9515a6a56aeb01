import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { minuteMs } from "@/core/time";
import { auditLog, user } from "@/server/db/schema";
import { countSignIn, deviceMark, noteSignIn } from "@/server/services/ground/sign-in-tries";
import { makeWorld, startOfTime, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
let minutes = 0;
beforeEach(() => world.clock.set(startOfTime + (minutes += 60) * minuteMs));

const email = "marit@brinewold.example.org";
const attempt = (network: string, mark: string | null = null, as = email) =>
  countSignIn(world.context, { email: as, network, mark }).then(
    () => "counted",
    (error: { failure: { code: string } }) => error.failure.code,
  );
async function times(n: number, run: () => Promise<string>): Promise<string> {
  let last = "";
  for (let i = 0; i < n; i += 1) last = await run();
  return last;
}

describe("tries to sign in", () => {
  it("are limited by address and network together: whoever guesses from elsewhere locks nobody out", async () => {
    expect(await times(8, () => attempt("192.0.2.1"))).toBe("counted");
    expect(await attempt("192.0.2.1")).toBe("too-many-tries");
    expect(await attempt("198.51.100.7")).toBe("counted");
    world.clock.advance(11 * minuteMs);
    expect(await attempt("192.0.2.1")).toBe("counted");
  });

  it("make whoever goes on guessing wait longer and longer: ten minutes, an hour, a day", async () => {
    const from = () => attempt("192.0.2.9");
    world.clock.set(Date.parse("2026-12-01T00:00:00Z"));
    expect(await times(8, from)).toBe("counted");
    world.clock.advance(10 * minuteMs);
    expect(await times(8, from)).toBe("counted");
    world.clock.advance(10 * minuteMs);
    expect(await from()).toBe("too-many-tries");
    world.clock.advance(40 * minuteMs);
    expect(await times(8, from)).toBe("counted");
    world.clock.advance(60 * minuteMs);
    expect(await times(8, from)).toBe("too-many-tries");
    world.clock.advance(24 * 60 * minuteMs);
    expect(await from()).toBe("counted");
  });

  it("let a device that was in before go on, on the very network that is shut", async () => {
    await times(9, () => attempt("192.0.2.2"));
    expect(await attempt("192.0.2.2", deviceMark(world.context, email))).toBe("counted");
    expect(await attempt("192.0.2.2", deviceMark(world.context, "other@example.org"))).toBe("too-many-tries");
    expect(await attempt("192.0.2.2", "made up")).toBe("too-many-tries");
    expect(await times(21, () => attempt("192.0.2.2", deviceMark(world.context, email)))).toBe("too-many-tries");
  });

  it("are limited for one network over many addresses, and for one address over many networks", async () => {
    let n = 0;
    expect(await times(60, () => attempt("192.0.2.3", null, `a${(n += 1)}@example.org`))).toBe("counted");
    expect(await attempt("192.0.2.3", null, "fresh@example.org")).toBe("too-many-tries");
    expect(await times(100, () => attempt(`net-${(n += 1)}`, null, "wanted@example.org"))).toBe("counted");
    expect(await attempt("net-last", null, "wanted@example.org")).toBe("too-many-tries");
  });

  it("are written down for those who exist, by ids alone", async () => {
    const [one] = await world.context.db.select().from(user).where(eq(user.id, world.owner.userId));
    await noteSignIn(world.context, one!.email, false);
    await noteSignIn(world.context, one!.email, true);
    await noteSignIn(world.context, "nobody@example.org", false);
    const rows = await world.context.db.select().from(auditLog);
    const own = rows.filter((row) => row.action.startsWith("sign-in"));
    expect(own.map((row) => [row.actorId, row.action]).sort()).toEqual([
      [world.owner.userId, "sign-in"],
      [world.owner.userId, "sign-in.refused"],
    ]);
    expect(JSON.stringify(own)).not.toContain("@");
  });
});
