"use client";
import { useRouter } from "next/navigation";
import type { Messages } from "@/contracts/messages";
import type { FileItem } from "@/core/room";
import { HandOuts, type HandOutActs } from "@/features/shared/hand-outs/hand-outs";
import { RoomWords } from "@/features/shared/room-words";

/** The files of a date: brought before it, shown when the time has come. */
export function DateFiles(props: {
  files: Readonly<Record<string, FileItem>>;
  dateId: string;
  words: Messages;
  space: { readonly keptBytes: number; readonly limitBytes: number };
  acts: HandOutActs | null;
}) {
  const router = useRouter();
  return (
    <RoomWords words={props.words}>
      <section id="files" aria-label="Files" className="mt-8 max-w-5xl border-t-2 border-ink pt-3">
        <h2 className="text-head font-semibold">Files for the audience</h2>
        <p className="mb-2 text-ink-2">
          What is shown stands at the ticket, in the house and beside the recording. The rest waits here until the desk
          shows it.
        </p>
        <HandOuts
          files={props.files}
          occurrenceId={props.dateId}
          token={null}
          ownId={null}
          acts={props.acts}
          space={props.space}
          onDone={() => router.refresh()}
        />
      </section>
    </RoomWords>
  );
}
