import { verifyPassword } from "better-auth/crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { dayMs, minuteMs } from "@/core/time";
import { account, letters, members, session, tickets, user } from "@/server/db/schema";
import { memberOf, type TeamMember } from "@/server/services/ground/access";
import { sendLetters } from "@/server/services/mailings/letters";
import { removeMember, setStanding, teamOf } from "@/server/services/organisation/team";
import {
  acceptInvitation,
  askForDesk,
  hasDesk,
  invitationFor,
  inviteMember,
  openInvitations,
  withdrawInvitation,
} from "@/server/services/organisation/team-invitations";
import { askForPassword, requireOpenReset, setForgottenPassword } from "@/server/services/organisation/password-reset";
import { decideSeats, requestSeats, seatRequestsOf } from "@/server/services/planning/seat-requests";
import { savePlan } from "@/server/services/planning/save-plan";
import { eraseContact } from "@/server/services/people/contacts/erase";
import { addStagePerson } from "@/server/services/people/stage-people";
import { purge } from "@/server/services/outside/sweep";
import { addMember, goodPlan, makeEvent, makeWorld, startOfTime, type World } from "../support/world";
import { codeOf } from "../support/code-of";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(() => {
  world.clock.set(startOfTime);
  world.sent.length = 0;
});

const nobodyKnows = () => Promise.resolve(false);
const password = "reed-bed-at-noon";

/** The token in the one letter that was sent to this address last. */
async function tokenTo(email: string): Promise<string> {
  await sendLetters(world.context);
  const mail = world.sent.filter((one) => one.to.address === email).at(-1)!;
  return /\/join\/([\w-]+)/.exec(mail.text)![1]!;
}

async function invited(email: string, standing: TeamMember["standing"] = "producer"): Promise<string> {
  await inviteMember(world.context, world.owner, { name: "Oskar Vell", email, standing });
  return tokenTo(email);
}

describe("an invitation into the team", () => {
  it("comes by a letter that says who asks and as what, and its link makes a sign-in that works", async () => {
    const token = await invited("oskar.vell@example.org");
    const mail = world.sent.at(-1)!;
    expect(mail.subject).toBe("Your sign-in for Brinewold Shore Trust");
    expect(mail.text).toContain("Marit Corrant asks you into the team of Brinewold Shore Trust, as a producer");
    expect(mail.html).toContain(`href="https://stage.example.org/join/${token}"`);
    expect(await invitationFor(world.context, token)).toMatchObject({
      email: "oskar.vell@example.org",
      hasAccount: false,
    });

    await acceptInvitation(world.context, token, { name: "Oskar Vell", password }, nobodyKnows);
    const [made] = await world.context.db.select().from(user).where(eq(user.email, "oskar.vell@example.org"));
    const [credential] = await world.context.db.select().from(account).where(eq(account.userId, made!.id));
    expect(await verifyPassword({ hash: credential!.password!, password })).toBe(true);
    expect(await memberOf(world.context, world.organisationId, made!.id)).toMatchObject({ standing: "producer" });
    expect(await openInvitations(world.context, world.owner)).toEqual([]);
  });

  it("works once, also where two follow it at the same moment", async () => {
    const token = await invited("twice@example.org");
    const join = () => acceptInvitation(world.context, token, { name: "Two", password }, nobodyKnows);
    const codes = await Promise.all([codeOf(join()), codeOf(join())]);
    expect(codes.sort()).toEqual(["done", "invitation-over"]);
    expect(await codeOf(invitationFor(world.context, token))).toBe("invitation-over");
  });

  it("is over when it is taken back, after seven days, and when a newer one went out", async () => {
    const first = await invited("old@example.org");
    const second = await invited("old@example.org");
    expect(await codeOf(invitationFor(world.context, first))).toBe("invitation-over");
    expect((await openInvitations(world.context, world.owner)).map((one) => [one.email, one.letter])).toEqual([
      ["old@example.org", "sent"],
    ]);
    world.clock.advance(7 * dayMs + 1);
    expect(await codeOf(invitationFor(world.context, second))).toBe("invitation-over");
    world.clock.set(startOfTime);
    const [open] = await openInvitations(world.context, world.owner);
    await withdrawInvitation(world.context, world.owner, open!.id);
    expect(await codeOf(invitationFor(world.context, second))).toBe("invitation-over");
    expect(await codeOf(withdrawInvitation(world.context, world.owner, open!.id))).toBe("not-found");
  });

  it("that is taken back or replaced before its letter left sends no dead link", async () => {
    const wanted = { name: "Never", email: "never.sent@example.org", standing: "crew" };
    await inviteMember(world.context, world.owner, wanted);
    await inviteMember(world.context, world.owner, wanted);
    await sendLetters(world.context);
    const mails = () => world.sent.filter((one) => one.to.address === wanted.email);
    expect(mails()).toHaveLength(1);
    await inviteMember(world.context, world.owner, wanted);
    const open = (await openInvitations(world.context, world.owner)).find((one) => one.email === wanted.email);
    await withdrawInvitation(world.context, world.owner, open!.id);
    await sendLetters(world.context);
    expect(mails()).toHaveLength(1);
  });

  it("asks an address that signs in already for its password, and leaves it as it is", async () => {
    const other = await addMember(world.context, world.organisationId, "crew", "Elsewhere");
    const [known] = await world.context.db.select().from(user).where(eq(user.id, other.userId));
    await removeMember(world.context, world.owner, other.userId);
    const token = await invited(known!.email);
    const join = (given: boolean) =>
      acceptInvitation(world.context, token, { name: "Elsewhere", password }, () => Promise.resolve(given));
    expect(await codeOf(join(false))).toBe("invalid-input");
    expect(await codeOf(join(true))).toBe("done");
    expect(await world.context.db.select().from(user).where(eq(user.email, known!.email))).toHaveLength(1);
  });

  it("refuses a short password, a wrong address, who is in the team, and a token that is none", async () => {
    const token = await invited("short@example.org");
    expect(await codeOf(acceptInvitation(world.context, token, { name: "S", password: "short" }, nobodyKnows))).toBe(
      "invalid-input",
    );
    const wrong = { name: "S", email: "a@@b..c", standing: "crew" };
    expect(await codeOf(inviteMember(world.context, world.owner, wrong))).toBe("invalid-input");
    const mine = await addMember(world.context, world.organisationId, "crew", "In already");
    const [known] = await world.context.db.select().from(user).where(eq(user.id, mine.userId));
    const again = { name: "In already", email: known!.email, standing: "crew" };
    expect(await codeOf(inviteMember(world.context, world.owner, again))).toBe("address-taken");
    expect(await codeOf(invitationFor(world.context, "x".repeat(48)))).toBe("not-found");
  });
});

describe("the team", () => {
  it("always keeps an owner, also where two step down at once", async () => {
    const { context, owner } = world;
    expect(await codeOf(setStanding(context, owner, owner.userId, "crew"))).toBe("last-owner");
    expect(await codeOf(removeMember(context, owner, owner.userId))).toBe("last-owner");
    const second = await addMember(context, world.organisationId, "owner", "Second owner");
    const codes = await Promise.all([
      codeOf(setStanding(context, owner, owner.userId, "producer")),
      codeOf(setStanding(context, second, second.userId, "producer")),
    ]);
    expect(codes.sort()).toEqual(["done", "last-owner"]);
    await context.db.update(members).set({ standing: "owner" }).where(eq(members.userId, owner.userId));
    await context.db.update(members).set({ standing: "producer" }).where(eq(members.userId, second.userId));
  });

  it("lets somebody go: signed out everywhere, without duties, and not by their link again", async () => {
    const { context, owner } = world;
    const leaver = await addMember(context, world.organisationId, "crew", "Leaver");
    const event = await makeEvent(world);
    const [known] = await context.db.select().from(user).where(eq(user.id, leaver.userId));
    await context.db.insert(session).values({
      id: leaver.userId,
      userId: leaver.userId,
      token: leaver.userId,
      expiresAt: new Date(startOfTime + dayMs),
    });
    await context.db.insert(tickets).values({
      id: context.ids.id(),
      organisationId: world.organisationId,
      eventId: event.eventId,
      personId: leaver.personId,
      role: "crew",
      duties: ["doors-and-curtain"],
      registeredAt: startOfTime,
    });
    expect((await teamOf(context, owner)).map((one) => one.name)).toContain("Leaver");
    await removeMember(context, leaver, leaver.userId);
    expect(await context.db.select().from(session).where(eq(session.userId, leaver.userId))).toEqual([]);
    const [left] = await context.db.select().from(tickets).where(eq(tickets.personId, leaver.personId));
    expect(left!.duties).toEqual([]);
    expect(await codeOf(memberOf(context, world.organisationId, known!.id))).toBe("not-signed-in");
  });

  it("gives whoever holds a duty of one event a desk, by a letter to their own address", async () => {
    const { context, owner } = world;
    const event = await makeEvent(world);
    const deputy = { name: "Deputy", email: "deputy@example.org" };
    const ticketId = await addStagePerson(context, owner, event.eventId, {
      ...deputy,
      role: "crew",
      duties: ["doors-and-curtain"],
      languages: null,
    });
    const [row] = await context.db.select().from(tickets).where(eq(tickets.id, ticketId));
    const { personId } = row!;
    expect(await hasDesk(context, world.organisationId, personId)).toBe(false);
    await askForDesk(context, { organisationId: world.organisationId, ...deputy });
    // somebody asked in as more stays that when they ask for their desk
    world.clock.advance(1000);
    await inviteMember(context, owner, { ...deputy, standing: "producer" });
    world.clock.advance(1000);
    await askForDesk(context, { organisationId: world.organisationId, ...deputy });
    expect((await openInvitations(context, owner)).find((one) => one.email === deputy.email)?.standing).toBe(
      "producer",
    );
    const token = await tokenTo(deputy.email);
    expect(world.sent.at(-1)!.text).toContain("You asked for a desk of your own");
    await acceptInvitation(context, token, { name: deputy.name, password }, nobodyKnows);
    expect(await hasDesk(context, world.organisationId, personId)).toBe(true);
    expect(await codeOf(askForDesk(context, { organisationId: world.organisationId, ...deputy }))).toBe(
      "address-taken",
    );
  });
});

describe("a forgotten password", () => {
  const ask = (email: string, network = "192.0.2.7") =>
    askForPassword(world.context, world.organisationId, email, network);
  async function known(): Promise<{ userId: string; email: string }> {
    const token = await invited(`forgets.${world.context.ids.code(6)}@example.org`);
    const email = await acceptInvitation(world.context, token, { name: "Forgets", password }, nobodyKnows);
    const [made] = await world.context.db.select().from(user).where(eq(user.email, email));
    return { userId: made!.id, email };
  }
  const linkTo = async (email: string): Promise<string> => {
    await sendLetters(world.context);
    const mail = world.sent.filter((one) => one.to.address === email && /new password/.test(one.subject)).at(-1)!;
    return /\/new-password\/([\w-]+)/.exec(mail.text)![1]!;
  };

  it("is replaced by a link to the own address, once, and every session ends", async () => {
    const { userId, email } = await known();
    await world.context.db
      .insert(session)
      .values({ id: email, userId, token: email, expiresAt: new Date(startOfTime + dayMs) });
    await ask(` ${email.toUpperCase()} `);
    const [first, again] = [await linkTo(email), (await ask(email), await linkTo(email))];
    const set = (token: string, to: string) => setForgottenPassword(world.context, token, { password: to });
    expect(await codeOf(set(again, "short"))).toBe("invalid-input");
    const codes = await Promise.all([codeOf(set(again, "a-new-tide-table")), codeOf(set(again, "a-new-tide-table"))]);
    expect(codes.sort()).toEqual(["done", "invitation-over"]);
    // the link asked for before is over with it
    expect(await codeOf(requireOpenReset(world.context, first))).toBe("invitation-over");
    const [credential] = await world.context.db.select().from(account).where(eq(account.userId, userId));
    expect(await verifyPassword({ hash: credential!.password!, password: "a-new-tide-table" })).toBe(true);
    expect(await world.context.db.select().from(session).where(eq(session.userId, userId))).toEqual([]);
  });

  it("is over after an hour; a stranger's address gets nothing, and asking for ever is refused", async () => {
    const { email } = await known();
    await ask(email);
    const token = await linkTo(email);
    world.clock.advance(60 * minuteMs);
    expect(await codeOf(requireOpenReset(world.context, token))).toBe("invitation-over");
    expect(await codeOf(requireOpenReset(world.context, "x".repeat(48)))).toBe("not-found");
    world.sent.length = 0;
    expect(await codeOf(ask("stranger@example.org"))).toBe("done");
    await sendLetters(world.context);
    expect(world.sent).toEqual([]);
    let last = "";
    for (let i = 0; i < 14; i += 1) last = await codeOf(ask("often@example.org", `net-${i}`));
    expect(last).toBe("too-many-tries");
  });
});

describe("letters", () => {
  it("are tried again, later and later, and given up where the address is refused", async () => {
    await inviteMember(world.context, world.owner, { name: "Slow", email: "slow@example.org", standing: "crew" });
    const stateOf = async (email: string) =>
      (await world.context.db.select().from(letters).where(eq(letters.toEmail, email)))[0]!;
    world.replies.push(421);
    await sendLetters(world.context);
    const put = await stateOf("slow@example.org");
    expect([put.state, put.attempts, put.dueAt > startOfTime]).toEqual(["planned", 1, true]);
    world.clock.set(put.dueAt);
    await sendLetters(world.context);
    expect((await stateOf("slow@example.org")).state).toBe("sent");

    await inviteMember(world.context, world.owner, { name: "Gone", email: "gone@example.org", standing: "crew" });
    world.replies.push(550);
    await sendLetters(world.context);
    expect((await stateOf("gone@example.org")).state).toBe("failed");
  });

  it("that cannot be written hold up no others", async () => {
    const { db, ids } = world.context;
    const row = {
      organisationId: world.organisationId,
      toName: "Bad",
      toEmail: "bad@example.org",
      messageId: "<bad@example.org>",
      dueAt: startOfTime - 1,
      createdAt: startOfTime,
    };
    await db.insert(letters).values({ id: ids.id(), ...row, body: { kind: "no such letter" } as never });
    expect(await invited("behind.bad@example.org")).toMatch(/^[\w-]+$/);
    const [bad] = await db.select().from(letters).where(eq(letters.toEmail, "bad@example.org"));
    expect([bad!.state, bad!.dueAt > startOfTime]).toEqual(["planned", true]);
  });

  it("keep no link: what stands in the database opens nothing", async () => {
    const token = await invited("derived@example.org");
    const [row] = await world.context.db.select().from(letters).where(eq(letters.toEmail, "derived@example.org"));
    expect(JSON.stringify(row)).not.toContain(token);
  });

  it("tell whoever asked for more seats what was decided; the plan can be saved with what was granted", async () => {
    const { context, owner } = world;
    const event = await makeEvent(world);
    const asker = await addMember(context, world.organisationId, "producer", "Asker");
    await context.db.insert(tickets).values({
      id: context.ids.id(),
      organisationId: world.organisationId,
      eventId: event.eventId,
      personId: asker.personId,
      role: "producer",
      registeredAt: startOfTime,
    });
    await requestSeats(context, asker, event.eventId, { wantedSize: 1500, note: "" });
    const [request] = await seatRequestsOf(context, owner, event.eventId);
    await decideSeats(context, owner, request!.id, { isGranted: true, answer: "good luck" });
    await sendLetters(context);
    expect(world.sent.at(-1)).toMatchObject({ subject: "Granted: 1500 seats for Tides and the saltmarsh" });
    expect(world.sent.at(-1)!.text).toContain("“good luck”");
    // the organisation's rule says 1,000 at most
    const save = (houseSize: number) =>
      savePlan(context, owner, event.eventId, 1, goodPlan({ houseSize, title: "Larger" }), false);
    expect(await codeOf(save(1501))).toBe("limit-broken");
    expect(await codeOf(save(1500))).toBe("done");
  });

  it("go with the person, and are kept for three months", async () => {
    const { context, owner } = world;
    const token = await invited("leaves@example.org");
    await acceptInvitation(context, token, { name: "Leaves", password }, nobodyKnows);
    const [made] = await context.db.select().from(user).where(eq(user.email, "leaves@example.org"));
    const [row] = await context.db.select().from(members).where(eq(members.userId, made!.id));
    await removeMember(context, owner, made!.id);
    await eraseContact(context, owner, row!.personId);
    expect(await context.db.select().from(letters).where(eq(letters.toEmail, "leaves@example.org"))).toEqual([]);
    world.clock.advance(91 * dayMs + minuteMs);
    await purge(context);
    expect(await context.db.select().from(letters)).toEqual([]);
  });
});
