import Link from "next/link";
import { RecordingEditor } from "@/features/recording-edit/recording-editor";
import { ReplaceFile } from "@/features/afterwards/replace-file";
import { ScreeningPlan } from "@/features/afterwards/screening-plan";
import { TeamBar } from "@/features/shared/team-bar";
import { editOf } from "@/server/services/afterwards/edit-recording";
import { screeningsAhead } from "@/server/services/afterwards/screenings";
import { fileTag, servedSeconds } from "@/server/services/afterwards/own-recording";
import { orNotFound, pageMember } from "../../../_lib/request";
import { signOutAction } from "../../sign-in/actions";
import { planScreeningAction, saveEditAction } from "../actions";

export const metadata = { title: "Edit a recording" };

export default async function EditRecordingPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { context, member } = await pageMember();
  const { recording, eventId, edit, hourChapters } = await orNotFound(() => editOf(context, member, id));
  const screenings = await screeningsAhead(context, recording);
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <main className="mx-auto max-w-6xl px-6 py-5">
        <p className="text-label text-ink-2">
          <Link href="/recordings">Recordings</Link> ·{" "}
          <Link href={`/events/${eventId}/afterwards/${recording.occurrenceId}`} prefetch={false}>
            Report of the date
          </Link>
          {recording.publishedFrom !== null && (
            <>
              {" · "}
              <a href={`/on-demand/${recording.slug}`}>Watch it as published</a>
            </>
          )}
        </p>
        <h1 className="mb-3 border-b-2 border-ink pb-2 text-title leading-tight font-semibold" dir="auto">
          {recording.title}
        </h1>
        <RecordingEditor
          src={`/recordings/${id}/media?file=${fileTag(recording.fileName)}`}
          knownSeconds={recording.durationSeconds}
          title={recording.title}
          edit={edit}
          hourChapters={hourChapters}
          state={recording.editState}
          madeSeconds={recording.kept ? servedSeconds(recording) : null}
          picture={{ url: `/recordings/${id}/picture`, hasPicture: recording.pictureId !== null }}
          save={saveEditAction.bind(null, id)}
        />
        {recording.state === "ready" && (
          <>
            <ScreeningPlan
              {...screenings}
              now={context.clock.now()}
              eventId={eventId}
              plan={planScreeningAction.bind(null, id)}
            />
            <ReplaceFile recordingId={id} hasEdits={edit.cuts.length > 0 || edit.chapters !== null} />
          </>
        )}
      </main>
    </>
  );
}
