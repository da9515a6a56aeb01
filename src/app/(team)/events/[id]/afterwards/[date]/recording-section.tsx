import type { ReactNode } from "react";
import { RecordingDesk, type RecordingLine } from "@/features/afterwards/recording-desk";
import {
  deleteRecordingAction,
  joinAgainAction,
  publishRecordingAction,
  setDurationAction,
  takeOffRecordingAction,
} from "../../actions";

/** Recordings of the date: added, published, deleted; and who watched. */
export function RecordingSection(props: {
  id: string;
  date: string;
  zone: string;
  isOver: boolean;
  recordings: readonly RecordingLine[];
  now: number;
  watched: ReactNode;
}) {
  const { id, date, zone, recordings, now } = props;
  return (
    <section className="mt-6">
      <h2 className="text-head font-semibold">Recording</h2>
      {props.isOver ? (
        <RecordingDesk
          uploadUrl={`/upload/recording/${id}/${date}`}
          {...{ zone, recordings, now }}
          publish={publishRecordingAction.bind(null, id)}
          takeOff={takeOffRecordingAction.bind(null, id)}
          remove={deleteRecordingAction.bind(null, id)}
          joinAgain={joinAgainAction.bind(null, id)}
          setDuration={setDurationAction}
        />
      ) : (
        <p className="text-ink-2">A recording can be added once the date has ended.</p>
      )}
      {props.watched}
    </section>
  );
}
