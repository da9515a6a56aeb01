import { TeamBar } from "@/features/shared/team-bar";
import { RecordingTable } from "@/features/afterwards/recording-table";
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
      <main className="mx-auto max-w-6xl px-6 py-5">
        <h1 className="mb-3 border-b-2 border-ink pb-2 text-title leading-tight font-semibold">Recordings</h1>
        <RecordingTable
          rows={items.map(({ recording, eventId, recordedAt }) => ({
            id: recording.id,
            title: recording.title,
            href: `/events/${eventId}/afterwards/${recording.occurrenceId}`,
            watchHref: recording.publishedFrom === null ? null : `/on-demand/${recording.slug}`,
            recordedAt,
            publishedFrom: recording.publishedFrom,
            durationSeconds: recording.durationSeconds,
            sizeBytes: recording.sizeBytes,
          }))}
          now={context.clock.now()}
          zone={zone}
        />
      </main>
    </>
  );
}
