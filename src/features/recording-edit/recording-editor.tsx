"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { useFieldArray, useWatch } from "react-hook-form";
import { recordingEditInput, type Done, type RecordingEditInput } from "@/contracts";
import { editedSeconds, keptOf, type Chapter, type RecordingEdit } from "@/core/watching";
import { ContractForm, FormText, useContractForm } from "@/features/shared/contract-form";
import { spanText } from "@/features/shared/times";
import { Button, Checkbox, FieldError, Note, toast } from "@/ui";
import { ChapterList } from "./chapter-list";
import { CutList } from "./cut-list";
import { EditRail } from "./edit-rail";
import { TakePicture } from "./take-picture";
import { useEditPlayer } from "./use-edit-player";

const lookAgainMs = 2000;
type State = "none" | "waiting" | "making" | "failed";

/** Whether what is watched is what the list says by now; the page looks again by itself. */
function MadeOrNot({ state, madeSeconds }: { state: State; madeSeconds: number | null }) {
  const router = useRouter();
  const isUnderWay = state === "waiting" || state === "making";
  useEffect(() => {
    if (!isUnderWay) return;
    const timer = setInterval(() => router.refresh(), lookAgainMs);
    return () => clearInterval(timer);
  }, [isUnderWay, router]);
  if (state === "failed")
    return (
      <Note tone="wrong">
        The cut recording could not be made; what was watched before is watched still. Save again to try once more.
      </Note>
    );
  return (
    <p role="status" className="text-ink-2">
      {isUnderWay
        ? "The cut recording is being made. Until then it is watched as it was."
        : madeSeconds !== null && `What is watched lasts ${spanText(madeSeconds * 1000)}.`}
    </p>
  );
}

/** How long what stays is, as the list stands. */
function Stays({ seconds, cuts }: { seconds: number; cuts: RecordingEditInput["cuts"] }) {
  if (seconds <= 0 || cuts.length === 0) return null;
  const kept = keptOf(
    seconds * 1000,
    cuts.map((one) => ({ from: one.fromSeconds * 1000, to: one.toSeconds * 1000 })),
  );
  return (
    <p className="mono mt-1 text-label text-ink-2">
      {spanText(editedSeconds(kept, seconds) * 1000)} of {spanText(seconds * 1000)} stays
    </p>
  );
}

/** What is cut from here on, or up to here: by where the player stands. */
function CutActs(props: { at: number; seconds: number; cut: (fromSeconds: number, toSeconds: number) => void }) {
  const { at, seconds, cut } = props;
  const [from, setFrom] = useState<number | null>(null);
  const tenths = Math.round(at * 10) / 10;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      <Button disabled={tenths <= 0} onClick={() => cut(0, tenths)}>
        Cut all before here
      </Button>
      <Button disabled={seconds <= 0 || tenths >= seconds} onClick={() => cut(tenths, Math.ceil(seconds))}>
        Cut all after here
      </Button>
      {from === null ? (
        <Button onClick={() => setFrom(tenths)}>Begin a cut here</Button>
      ) : (
        <>
          <Button
            weight="act"
            disabled={tenths <= from}
            onClick={() => {
              cut(from, tenths);
              setFrom(null);
            }}
          >
            End the cut here
          </Button>
          <span className="mono text-label text-ink-2">begun at {spanText(from * 1000)}</span>
          <Button weight="plain" onClick={() => setFrom(null)}>
            Don’t cut
          </Button>
        </>
      )}
    </div>
  );
}

/** A recording as a list of what is left out and how it is divided, over the untouched original. */
export function RecordingEditor(props: {
  src: string;
  knownSeconds: number | null;
  title: string;
  edit: RecordingEdit;
  /** on the original's clock */
  hourChapters: readonly Chapter[];
  state: State;
  madeSeconds: number | null;
  /** where the title picture is, and whether there is one */
  picture: { readonly url: string; readonly hasPicture: boolean };
  save: (input: RecordingEditInput) => Promise<Done<unknown>>;
}) {
  const router = useRouter();
  const [isPlayedAcross, setPlayedAcross] = useState(true);
  const made = useContractForm<RecordingEditInput, unknown>({
    schema: recordingEditInput,
    initial: {
      title: props.title,
      cuts: props.edit.cuts.map(({ from, to }) => ({ fromSeconds: from / 1000, toSeconds: to / 1000 })),
      chapters: props.edit.chapters?.map((one) => ({ ...one })) ?? null,
    },
    save: props.save,
    onSaved: (_value, input, form) => {
      form.reset(input);
      toast("Saved.");
      router.refresh();
    },
  });
  const { control, formState } = made.form;
  const list = useFieldArray({ control, name: "cuts" });
  const cuts = useWatch({ control, name: "cuts" });
  const chapters = useWatch({ control, name: "chapters" });
  const { video, at, seconds, goTo } = useEditPlayer(cuts, isPlayedAcross, props.knownSeconds);
  const hour = props.hourChapters.map(({ title, startSeconds }) => ({ title, startSeconds }));
  const ofAll = (formState.errors.cuts as { message?: string } | undefined)?.message;
  const act = (
    <Button type="submit" weight="act" disabled={made.isPending} className="self-start">
      Save the edit
    </Button>
  );
  return (
    <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_26rem]">
      <div>
        <video ref={video} controls preload="metadata" className="aspect-video w-full bg-ink" src={props.src} />
        <EditRail {...{ seconds, at, cuts, goTo }} chapters={chapters ?? hour} />
        <Stays seconds={seconds} cuts={cuts} />
        <CutActs at={at} seconds={seconds} cut={(fromSeconds, toSeconds) => list.append({ fromSeconds, toSeconds })} />
        <label className="mt-2 flex items-center gap-2">
          <Checkbox checked={isPlayedAcross} onChange={(event) => setPlayedAcross(event.target.checked)} /> play without
          what is left out
        </label>
        <TakePicture video={video} {...props.picture} />
      </div>
      <ContractForm of={made} className="flex flex-col gap-5" aria-label="Edit the recording" act={act}>
        <MadeOrNot state={props.state} madeSeconds={props.madeSeconds} />
        <FormText<RecordingEditInput> name="title" label="Title" />
        <section>
          <h2 className="mb-1 border-b border-rule text-lead font-semibold">What is left out</h2>
          <CutList
            cuts={list}
            goTo={(to, isPlaying) => {
              goTo(to);
              if (isPlaying) void video.current?.play();
            }}
          />
          {ofAll && <FieldError>{ofAll}</FieldError>}
        </section>
        <section>
          <h2 className="mb-1 border-b border-rule text-lead font-semibold">Chapters</h2>
          <ChapterList hour={hour} at={at} />
        </section>
      </ContractForm>
    </div>
  );
}
