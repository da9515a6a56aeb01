import { and, asc, eq, gt, inArray, isNull, ne } from "drizzle-orm";
import { callTimeOf } from "@/core/dates";
import {
  fitsAt,
  freeStarts,
  holdOf,
  nearestFits,
  type Allocation,
  type Licence,
  type PlacedDate,
  type SeatClaim,
} from "@/core/seats";
import { Refusal, type ClashingDate } from "@/core/shared";
import { dayMs, instantOf, minuteMs, wallTimeAt } from "@/core/time";
import { seatQuestionInput, type SeatAnswer } from "@/contracts";
import type { Db } from "../../db/client";
import { events, licences, occurrences, organisations } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import { parse, type Context } from "../ground/context";
import { rulesOf } from "./rules";

/** A date's claim with the words that name it. */
interface NamedClaim extends SeatClaim, ClashingDate {
  readonly licenceId: string | null;
}

export const licencesOf = (db: Db, organisationId: string): Promise<Licence[]> =>
  db
    .select({ id: licences.id, size: licences.size })
    .from(licences)
    .where(eq(licences.organisationId, organisationId))
    .orderBy(asc(licences.size), asc(licences.id))
    .limit(2000);

/** Every date that holds or will hold a licence after `from`. Rehearsals take no seat. */
async function claimsAfter(
  db: Db,
  organisationId: string,
  from: number,
  overrunMinutes: number,
): Promise<NamedClaim[]> {
  const rows = await db
    .select({
      id: occurrences.id,
      phase: occurrences.phase,
      startAt: occurrences.startAt,
      endAt: occurrences.endAt,
      callMinutes: occurrences.callMinutes,
      licenceId: occurrences.licenceId,
      startLocal: occurrences.startLocal,
      zone: occurrences.zone,
      title: events.title,
      need: events.houseSize,
    })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(
      and(
        eq(occurrences.organisationId, organisationId),
        eq(occurrences.kind, "show"),
        inArray(occurrences.phase, ["scheduled", "backstage", "open"]),
        gt(occurrences.endAt, from),
        isNull(events.deletedAt),
      ),
    )
    .orderBy(asc(occurrences.startAt))
    .limit(20_000);
  return rows.map(({ phase, callMinutes, ...row }) => ({
    ...row,
    ...holdOf({ callAt: callTimeOf(row.startAt, callMinutes), endAt: row.endAt }, overrunMinutes),
    heldLicenceId: phase === "scheduled" ? null : row.licenceId,
  }));
}

const named = (claims: readonly NamedClaim[], ids: readonly string[]): ClashingDate[] =>
  claims.filter((claim) => ids.includes(claim.id)).map(({ title, startLocal, zone }) => ({ title, startLocal, zone }));

/** A date being placed: it looks for a start of its own while the others keep theirs. */
function placed(claim: NamedClaim): PlacedDate {
  const startAt = instantOf({ local: claim.startLocal, zone: claim.zone });
  return {
    id: claim.id,
    need: claim.need,
    zone: claim.zone,
    startAt,
    holdBeforeMs: startAt - claim.startAt,
    holdAfterMs: claim.endAt - startAt,
  };
}

/**
 * Gives every coming date of the organisation a licence, after dates were written in this transaction.
 * The organisation's row is locked, so that of two producers saving at once one sees the other's date.
 * @returns how many other dates moved to another licence
 * @throws seats-clash with the dates in the way and the nearest starts that fit
 */
export async function settleSeats(
  context: Context,
  tx: Db,
  organisationId: string,
  changedIds: ReadonlySet<string>,
): Promise<number> {
  const [organisation] = await tx
    .select()
    .from(organisations)
    .where(eq(organisations.id, organisationId))
    .for("no key update");
  const owned = await licencesOf(tx, organisationId);
  // who owns none has not set the house up: nothing limits it yet
  if (owned.length === 0 || changedIds.size === 0) return 0;
  const rules = rulesOf(organisation!);
  const now = context.clock.now();
  const claims = await claimsAfter(tx, organisationId, now - dayMs, rules.overrunMinutes);
  const changed = claims.filter((claim) => changedIds.has(claim.id));
  const largest = owned.at(-1)!.size;
  const tooLarge = changed.find((claim) => claim.need > largest && claim.heldLicenceId === null);
  if (tooLarge) throw new Refusal({ code: "no-licence-so-large", houseSize: tooLarge.need, largest });
  const { result, standing } = await aroundStandingClashes(context, claims, owned, changedIds);
  if (result.verdict === "not-decided") return 0;
  if (result.verdict === "clash") {
    const own = changed.find((claim) => result.clashing.includes(claim.id));
    if (!own) return 0;
    const near = nearestFits(placed(own), claims, owned, { from: rules.earliestStart, until: rules.latestStart }, now);
    const local = (at: number | null) => (at === null ? null : wallTimeAt(at, own.zone).local);
    throw new Refusal({
      code: "seats-clash",
      clashing: named(
        claims,
        result.clashing.filter((id) => id !== own.id),
      ),
      earlier: local(near.earlier),
      later: local(near.later),
    });
  }
  const placedClaims = claims.filter((claim) => !standing.has(claim.id));
  return writeLicences(tx, placedClaims, result.licenceOf, changedIds);
}

/** Clashes that are given up before new dates are no more looked for a licence. */
const mostStanding = 50;

/**
 * The search, and where dates that nobody changed clash among themselves, the same without one of each such clash:
 * what stood wrong before must not leave a new date without a licence. Those left out keep what they have.
 */
async function aroundStandingClashes(
  context: Context,
  claims: readonly NamedClaim[],
  owned: readonly Licence[],
  changedIds: ReadonlySet<string>,
): Promise<{ readonly result: Allocation; readonly standing: ReadonlySet<string> }> {
  const standing = new Set<string>();
  for (;;) {
    const result = await context.sums.run("seat-search", [claims.filter((one) => !standing.has(one.id)), owned]);
    if (result.verdict !== "clash" || standing.size >= mostStanding) return { result, standing };
    if (result.clashing.some((id) => changedIds.has(id))) return { result, standing };
    standing.add(result.clashing.at(-1)!);
  }
}

async function writeLicences(
  tx: Db,
  claims: readonly NamedClaim[],
  licenceOf: ReadonlyMap<string, string>,
  changedIds: ReadonlySet<string>,
): Promise<number> {
  const different = claims.filter((claim) => licenceOf.get(claim.id) !== claim.licenceId);
  const byLicence = new Map<string, string[]>();
  for (const claim of different) {
    const licence = licenceOf.get(claim.id);
    if (licence) byLicence.set(licence, [...(byLicence.get(licence) ?? []), claim.id]);
  }
  for (const [licenceId, ids] of byLicence)
    await tx
      .update(occurrences)
      .set({ licenceId })
      .where(and(inArray(occurrences.id, ids), ne(occurrences.phase, "ended")));
  return different.filter((claim) => !changedIds.has(claim.id) && claim.licenceId !== null).length;
}

/** Dates that stand in the way of the organisation's owning these licences instead; none when all fit. */
export async function clashUnder(
  context: Context,
  db: Db,
  organisationId: string,
  owned: readonly Licence[],
  overrunMinutes: number,
): Promise<readonly ClashingDate[]> {
  const claims = await claimsAfter(db, organisationId, context.clock.now() - dayMs, overrunMinutes);
  const result = await context.sums.run("seat-search", [claims, owned]);
  return result.verdict === "clash" ? named(claims, result.clashing) : [];
}

/** How a start fares against the seat licences, while it is being picked (rule 3). */
export async function seatsAround(context: Context, member: TeamMember, rawInput: unknown): Promise<SeatAnswer> {
  const question = parse(seatQuestionInput, rawInput);
  const { db } = context;
  const [organisation] = await db.select().from(organisations).where(eq(organisations.id, member.organisationId));
  const rules = rulesOf(organisation!);
  const owned = await licencesOf(db, member.organisationId);
  const empty = { cells: [], earlier: null, later: null, held: [], largest: owned.at(-1)?.size ?? 0 };
  if (owned.length === 0) return { ...empty, verdict: "no-licences" };
  if (question.houseSize > empty.largest) return { ...empty, verdict: "too-large" };
  const now = context.clock.now();
  const { zone } = question;
  const startAt = instantOf({ local: question.startLocal, zone });
  const date: PlacedDate = {
    id: question.occurrenceId ?? "new",
    need: question.houseSize,
    zone,
    startAt,
    holdBeforeMs: question.callMinutes * minuteMs,
    holdAfterMs: (question.durationMinutes + rules.overrunMinutes) * minuteMs,
  };
  const claims = await claimsAfter(db, member.organisationId, now - dayMs, rules.overrunMinutes);
  const others = claims.filter((claim) => claim.id !== date.id);
  const day = question.startLocal.slice(0, 10);
  const [from, to] = [
    instantOf({ local: `${day}T00:00`, zone }),
    instantOf({ local: `${day}T23:59`, zone }) + minuteMs,
  ];
  const local = (at: number) => wallTimeAt(at, zone).local;
  const fits = fitsAt(date, startAt, others, owned);
  const near =
    fits === false
      ? nearestFits(date, others, owned, { from: rules.earliestStart, until: rules.latestStart }, now)
      : { earlier: null, later: null };
  return {
    verdict: fits === null ? "not-decided" : fits ? "free" : "taken",
    cells: freeStarts(date, others, owned, from, to).map((cell) => ({
      startLocal: local(cell.startAt),
      isFree: cell.isFree,
    })),
    earlier: near.earlier === null ? null : local(near.earlier),
    later: near.later === null ? null : local(near.later),
    held: others
      .filter((claim) => claim.startAt < to && claim.endAt > from)
      .map((claim) => ({
        title: claim.title,
        fromLocal: local(claim.startAt),
        untilLocal: local(claim.endAt),
        houseSize: claim.need,
      })),
    largest: empty.largest,
  };
}
