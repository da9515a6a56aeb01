import { TeamBar } from "@/features/shared/team-bar";
import { RecordingTable } from "@/features/afterwards/recording-table";
import { servedOf, servedSeconds } from "@/server/services/afterwards/own-recording";
import { RecordingBin } from "@/features/afterwards/recording-bin";
import { StoreUse } from "@/features/afterwards/store-use";
import { binnedRecordings } from "@/server/services/afterwards/bin-recording";
import { library } from "@/server/services/afterwards/library";
import { storeUse } from "@/server/services/ground/store-room";
import { restoreRecordingAction } from "./actions";
import { currentOrganisation, pageMember } from "../../_lib/request";
import { signOutAction } from "../sign-in/actions";

export const metadata = { title: "Recordings" };

export default async function RecordingsPage() {
  const { context, member } = await pageMember();
  const { zone } = await currentOrganisation();
  const [items, binned, space] = await Promise.all([
    library(context, member),
    binnedRecordings(context, member),
    storeUse(context, member.organisationId),
  ]);
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-6xl px-6 py-5">
        <div className="mb-3 flex flex-wrap items-end justify-between gap-4 border-b-2 border-ink pb-2">
          <h1 className="text-title leading-tight font-semibold">Recordings</h1>
          <StoreUse space={space} />
        </div>
        <RecordingTable
          rows={items.map(({ recording, eventId, recordedAt, viewerCount, openQuestionCount }) => ({
            id: recording.id,
            title: recording.title,
            state: recording.state,
            href: `/events/${eventId}/afterwards/${recording.occurrenceId}`,
            watchHref: recording.publishedFrom === null ? null : `/on-demand/${recording.slug}`,
            recordedAt,
            publishedFrom: recording.publishedFrom,
            publishedUntil: recording.publishedUntil,
            audience: recording.audience,
            durationSeconds: servedSeconds(recording),
            sizeBytes: servedOf(recording).sizeBytes,
            pictureHref: recording.pictureId === null ? null : `/recordings/${recording.id}/picture`,
            viewerCount,
            openQuestionCount,
          }))}
          now={context.clock.now()}
          zone={zone}
        />
        <RecordingBin rows={binned} zone={zone} restore={restoreRecordingAction} />
      </main>
    </>
  );
}
