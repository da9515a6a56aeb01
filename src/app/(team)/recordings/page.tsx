import Link from "next/link";
import { TeamBar } from "@/features/shared/team-bar";
import { longDate } from "@/core/time";
import { library } from "@/server/services/afterwards/recordings";
import { currentOrganisation, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";

export const metadata = { title: "Recordings" };

export default async function RecordingsPage() {
  const { context, member } = await pageMember();
  const { zone } = await currentOrganisation();
  const items = await library(context, member);
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-5xl px-6 py-5">
        <h1 className="border-b-2 border-ink pb-2 text-title leading-tight font-semibold">Recordings</h1>
        {items.length === 0 && (
          <p className="py-4 text-ink-2">No recording yet. One is added on a date’s page afterwards.</p>
        )}
        <ul>
          {items.map(({ recording, eventId, recordedAt }) => (
            <li key={recording.id} className="flex gap-4 border-b border-rule py-2">
              <Link
                href={`/events/${eventId}/afterwards/${recording.occurrenceId}`}
                prefetch={false}
                className="flex-1"
              >
                {recording.title}
              </Link>
              <span className="text-ink-2">{longDate(recordedAt, zone)}</span>
              {recording.publishedFrom === null ? (
                <span className="text-ink-2">not published</span>
              ) : (
                <a href={`/on-demand/${recording.slug}`}>on demand</a>
              )}
            </li>
          ))}
        </ul>
      </main>
    </>
  );
}
