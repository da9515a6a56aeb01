import { Table } from "@/ui";
import Link from "next/link";
import { roleWords, dutyWords } from "@/features/shared/role-words";
import { PrintButton } from "@/features/people/print-button";
import { callTimeOf } from "@/core/dates";
import { cityOf, clockTime, longDate, shortDate, wallTimeAt, weekdayName } from "@/core/time";
import { callSheet } from "@/server/services/hour/call-sheet";
import { workspace, type DateQuery } from "../../../../_lib/workspace";

/** An hour, with its day where that is not the day of the date as the event's own clock has it. */
function Hour({ at, zone, day }: { at: number; zone: string; day: string }) {
  const isOtherDay = wallTimeAt(at, zone).local.slice(0, 10) !== day;
  return (
    <span className="whitespace-nowrap">
      <span className="mono">{clockTime(at, zone)}</span>
      {isOtherDay && <span className="text-label">{` on ${weekdayName(at, zone)} ${shortDate(at, zone)}`}</span>}
    </span>
  );
}

export const metadata = { title: "Call sheet" };

export default async function CallSheetPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<DateQuery>;
}) {
  const { id } = await params;
  const { context, member, loaded } = await workspace(id, (await searchParams).date ?? null);
  const { event, occurrence } = loaded;
  if (!occurrence) return <main className="p-8 text-ink-2">The room has a call sheet once it is opened.</main>;
  const lines = await callSheet(context, member, id, occurrence);
  const { zone } = occurrence;
  const day = occurrence.startLocal.slice(0, 10);
  return (
    <main className="mx-auto max-w-6xl bg-ground px-6 py-5 print:max-w-none print:p-0">
      <header className="flex items-end justify-between border-b-2 border-ink pb-2">
        <div>
          <p className="text-label text-ink-2">
            Call sheet{" "}
            <Link href={`/events/${id}/people?date=${occurrence.id}`} prefetch={false} className="print:hidden">
              back to the people
            </Link>
          </p>
          <h1 className="text-title leading-tight font-semibold">{event.title}</h1>
          <p>
            {longDate(occurrence.startAt, zone)} · call{" "}
            <Hour at={callTimeOf(occurrence.startAt, occurrence.callMinutes)} zone={zone} day={day} /> · start{" "}
            <Hour at={occurrence.startAt} zone={zone} day={day} /> · end{" "}
            <Hour at={occurrence.endAt} zone={zone} day={day} /> in {cityOf(zone)}
          </p>
        </div>
        <PrintButton />
      </header>
      <Table className="mt-3 w-full text-left">
        <thead className="text-label text-ink-2">
          <tr>
            {["Who", "As", "Team call, for them", "First segment", "Contact", "Sound check", "Own way in"].map(
              (words) => (
                <th key={words} className="py-1 pr-3 font-medium">
                  {words}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.ticketId} className="border-t border-rule align-top">
              <td className="py-1.5 pr-3 font-medium">{line.name}</td>
              <td className="pr-3">
                {roleWords[line.role]}
                {line.languages && <span className="mono text-label"> {line.languages.join(" → ")}</span>}
                {line.duties.length > 0 && (
                  <span className="block text-label text-ink-2">
                    {line.duties.map((duty) => dutyWords[duty]).join(", ")}
                  </span>
                )}
              </td>
              <td className="pr-3">
                <Hour at={line.callAt} zone={line.zone} day={day} />{" "}
                <span className="text-label text-ink-2">{cityOf(line.zone)}</span>
              </td>
              <td className="pr-3">
                {line.first ? (
                  <>
                    <Hour at={line.first.startAt} zone={line.zone} day={day} /> {line.first.title}
                  </>
                ) : (
                  <span className="text-ink-2">none of their own</span>
                )}
              </td>
              <td className="pr-3 text-label">{line.email}</td>
              <td className="pr-3 text-label">{line.techCheckedAt === null ? "open" : "done"}</td>
              <td className="mono text-label break-all">
                {line.link ? <a href={line.link}>{line.link}</a> : <span className="text-ink-2">in their mail</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </main>
  );
}
