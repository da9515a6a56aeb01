import Link from "next/link";
import { SeasonBoard } from "@/features/season/season-board";
import { SeasonMonth } from "@/features/season/season-month";
import { NoDates } from "@/features/season/no-dates";
import { SeasonNav, seasonHref, type SeasonQuery } from "@/features/season/season-nav";
import { SeasonTable } from "@/features/season/season-table";
import { TeamBar } from "@/features/shared/team-bar";
import { cityOf, dayMs, instantOf, longDate, readMoment, shiftLocal, wallTimeAt } from "@/core/time";
import { datesBetween, season, seasonList, type SeasonFilter } from "@/server/services/overview/season";
import { binned, producersOf } from "@/server/services/overview/season-side";
import { buttonClass, Button, Note } from "@/ui";
import { currentOrganisation, isUuid, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";
import { copyEventAction, deleteAction, hearersAction, restoreAction } from "../events/[id]/actions";
import { applyExtentAction, openStandingAction, undoChangeAction } from "../events/[id]/dates-actions";
import { openRoomNowAction } from "../house-actions";

export const metadata = { title: "Events" };
const pageSize = 50;
const states = ["draft", "published", "live", "missing"] as const;
const menuActs = {
  duplicate: copyEventAction,
  hearers: hearersAction,
  remove: deleteAction,
  restore: restoreAction,
};
const acts = { apply: applyExtentAction, undo: undoChangeAction };

function queryOf(raw: Record<string, string | undefined>, thisMonth: string): SeasonQuery {
  return {
    from: (raw["from"] ?? "").slice(0, 40),
    until: (raw["until"] ?? "").slice(0, 40),
    view: raw["view"] === "month" || raw["view"] === "list" ? raw["view"] : "rails",
    words: (raw["words"] ?? "").slice(0, 100),
    state: states.find((state) => state === raw["state"]) ?? "",
    producer: isUuid(raw["producer"]) ? raw["producer"] : "",
    month: /^\d{4}-(0[1-9]|1[0-2])$/.test(raw["month"] ?? "") ? raw["month"]! : thisMonth,
    page: Math.min(1000, Math.max(0, Math.floor(Number(raw["page"] ?? 0)) || 0)),
  };
}

/** A typed day as the instant at which it begins; null where nothing is typed, or nothing that is a day. */
function dayOf(typed: string, { zone, now }: Pick<Scene, "zone" | "now">): number | null {
  const read = typed === "" ? null : readMoment(typed, wallTimeAt(now, zone).local, "00:00");
  return read && "local" in read ? instantOf({ local: `${read.local.slice(0, 10)}T00:00`, zone }) : null;
}

/** Words of the range that name no day. */
const unreadDays = (scene: Scene): readonly string[] =>
  [scene.query.from, scene.query.until].filter((typed) => typed !== "" && dayOf(typed, scene) === null);

function filterOf(scene: Scene): SeasonFilter {
  const { query } = scene;
  const [from, until] = [dayOf(query.from, scene), dayOf(query.until, scene)];
  return {
    ...(query.words && { words: query.words }),
    ...(query.state && { state: query.state as (typeof states)[number] }),
    ...(query.producer && { producerId: query.producer }),
    ...(from !== null && { from }),
    // the last day is meant with all its hours
    ...(until !== null && { until: until + dayMs }),
  };
}

const isNarrowed = (scene: Scene): boolean => Object.keys(filterOf(scene)).length > 0;

type Scene = Awaited<ReturnType<typeof pageMember>> & { query: SeasonQuery; zone: string; now: number };

async function MonthView(scene: Scene) {
  const { context, member, query, zone } = scene;
  const first = `${query.month}-01T00:00`;
  const from = instantOf({ local: first, zone });
  // weeks at both ends reach into the months beside
  const dates = await datesBetween(context, member, from - 7 * dayMs, from + 45 * dayMs, filterOf(scene));
  const beside = (days: number) => shiftLocal(first, days * 24 * 60).slice(0, 7);
  const now = context.clock.now();
  return (
    <>
      <nav aria-label="Months" className="mt-2 flex items-baseline gap-4">
        <Link href={seasonHref(query, { month: beside(-1) })} prefetch={false}>
          the month before
        </Link>
        <h2 className="text-head font-semibold">
          {longDate(from + 14 * dayMs, zone)
            .split(" ")
            .slice(2)
            .join(" ")}
        </h2>
        <Link href={seasonHref(query, { month: beside(32) })} prefetch={false}>
          the month after
        </Link>
      </nav>
      <SeasonMonth
        month={query.month}
        today={wallTimeAt(now, zone).local.slice(0, 10)}
        acts={acts}
        menu={member.standing === "crew" ? null : menuActs}
        dates={dates.map((date) => ({
          ...date,
          isFixed: date.phase !== "scheduled" || date.startAt <= now || member.standing === "crew",
          isCancelled: date.phase === "cancelled",
        }))}
      />
    </>
  );
}

async function ListView(scene: Scene) {
  const { context, member, query } = scene;
  const { dates, total } = await seasonList(context, member, filterOf(scene), query.page, pageSize);
  const pages = Math.ceil(total / pageSize);
  return (
    <>
      <p className="mt-2 text-ink-2">
        <span className="mono">{total}</span> dates{pages > 1 && `, page ${query.page + 1} of ${pages}`}
      </p>
      {total === 0 ? (
        <NoDates isNarrowed={isNarrowed(scene)} />
      ) : (
        <SeasonTable dates={dates} menu={member.standing === "crew" ? null : menuActs} />
      )}
      <p className="mt-3 flex gap-4">
        {query.page > 0 && (
          <Link href={seasonHref(query, { page: query.page - 1 })} prefetch={false}>
            later dates
          </Link>
        )}
        {query.page + 1 < pages && (
          <Link href={seasonHref(query, { page: query.page + 1 })} prefetch={false}>
            earlier dates
          </Link>
        )}
      </p>
    </>
  );
}

async function RailsView(scene: Scene) {
  const { context, member, zone } = scene;
  const [board, bin] = await Promise.all([season(context, member, filterOf(scene)), binned(context, member)]);
  return (
    <>
      <SeasonBoard
        {...board}
        isNarrowed={isNarrowed(scene)}
        zone={zone}
        acts={member.standing === "crew" ? null : acts}
        menu={member.standing === "crew" ? null : menuActs}
      />
      {board.standing.length > 0 && (
        <section aria-label="Rooms without fixed time" className="mt-6">
          <h2 className="border-b border-ink pb-0.5 font-semibold">Rooms without fixed time</h2>
          <ul className="mt-2 flex flex-wrap gap-x-8 gap-y-1">
            {board.standing.map((room) => (
              <li key={room.eventId} className="flex items-center gap-3">
                <Link href={`/events/${room.eventId}/plan`} prefetch={false}>
                  {room.title}
                </Link>
                <span className="mono text-ink-2">{room.roomCode}</span>
                <form action={openStandingAction.bind(null, room.eventId)}>
                  <Button type="submit" weight="quiet">
                    Open it now
                  </Button>
                </form>
              </li>
            ))}
          </ul>
        </section>
      )}
      {board.past.length > 0 && (
        <section aria-label="Past">
          <h2 className="mt-8 text-head font-semibold">Past</h2>
          <SeasonTable dates={board.past} menu={member.standing === "crew" ? null : menuActs} />
        </section>
      )}
      {bin.length > 0 && (
        <section className="mt-8">
          <h2 className="text-head font-semibold">Deleted within the last week</h2>
          <ul>
            {bin.map((one) => (
              <li key={one.eventId} className="flex items-center gap-4 border-t border-rule py-1.5">
                {one.title}
                <form action={restoreAction.bind(null, one.eventId)}>
                  <Button type="submit" weight="quiet">
                    Bring it back
                  </Button>
                </form>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

export default async function SeasonPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | undefined>>;
}) {
  const { context, member } = await pageMember();
  const organisation = await currentOrganisation();
  const now = context.clock.now();
  const { zone } = organisation;
  const query = queryOf(await searchParams, wallTimeAt(now, zone).local.slice(0, 7));
  const producers = await producersOf(context, member);
  const scene = { context, member, query, zone, now };
  return (
    <>
      <TeamBar signOut={signOutAction}>
        {member.standing !== "crew" && (
          <form action={openRoomNowAction}>
            <Button type="submit" weight="quiet">
              Open a room now
            </Button>
          </form>
        )}
        <Link href="/events/new" prefetch={false} className={buttonClass("act")}>
          Plan an event
        </Link>
      </TeamBar>
      <main className="mx-auto max-w-7xl px-6 py-2">
        <header className="flex flex-wrap items-center gap-x-6 gap-y-2">
          <h1 className="text-title leading-tight font-semibold">
            Events <span className="text-label font-normal text-ink-2">hours as in {cityOf(zone)}</span>
          </h1>
          <SeasonNav query={query} producers={producers} />
        </header>
        {unreadDays(scene).map((typed) => (
          <Note key={typed} tone="attention">
            “{typed}” is no day that can be read. Write it as in: 1 Dec 2026.
          </Note>
        ))}
        {query.view === "month" ? (
          <MonthView {...scene} />
        ) : query.view === "list" ? (
          <ListView {...scene} />
        ) : (
          <RailsView {...scene} />
        )}
      </main>
    </>
  );
}
