"use client";
import type { Done } from "@/contracts";
import { Summary, ComposerProps, SenderFields, FollowUpOffset, ComposerActsRow } from "./composer-parts";
import { AudienceColumn } from "./send-column";
import { usePathname, useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { z } from "zod";
import { mailingInput, type MailingInput } from "@/contracts";
import { isFollowUp } from "@/core/mailings";
import { useContractEditor } from "@/features/shared/contract-editor";
import { DraftNote } from "@/features/shared/use-draft";
import { MailPreview, type PreviewMail } from "@/features/shared/mail-preview";
import { Note, toast } from "@/ui";
import { CopyActs } from "./copy-acts";
import { kindWords } from "./field-words";
import { WordsEditor } from "./words-editor";

/** Writes one mailing: words around the join details, whom it goes to with its count, then kept, tried and sent. */
export function Composer(props: ComposerProps) {
  const { id: draftId, version: draftVersion, ...draft } = props.draft;
  const router = useRouter();
  const path = usePathname();
  const [kept, setKept] = useState({ id: draftId, version: draftVersion });
  const [turn, setTurn] = useState(0);
  const [summary, setSummary] = useState<Summary | null>(null);
  const [preview, setPreview] = useState<PreviewMail | null>(null);
  const [reader, setReader] = useState<string>("");
  const [isActing, run] = useTransition();
  const editor = useContractEditor({
    schema: mailingInput as z.ZodType<MailingInput>,
    initial: draft,
    draftKey: `mailing ${path} ${draftId ?? draft.kind}`,
    save: (mailing) => props.acts.save(kept.id, kept.version, mailing),
    onSaved: (saved) => {
      if (kept.id === null) router.replace(`?mailing=${saved.id}`, { scroll: false });
      setKept(saved);
      toast("Saved. Nothing was sent.");
      router.refresh();
    },
    // the editor begins anew with the words brought back
    onRestored: () => setTurn((before) => before + 1),
  });
  const { value: input, wrong, setWrong } = editor;
  const isPending = editor.isPending || isActing;
  const isKept = kept.id !== null && !editor.isDirty;
  const change = (part: Partial<MailingInput>) => {
    editor.change(part);
    if (part.audience) setSummary(null);
  };
  const attempt = <T,>(act: () => Promise<Done<T>>, then: (value: T) => void) =>
    run(async () => {
      const done = await act();
      setWrong(done.ok ? null : done.words);
      if (done.ok) then(done.value);
    });
  const sendsByItself = isFollowUp(input.kind);
  return (
    <section aria-label={kindWords[input.kind]} className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="flex flex-col gap-3">
        <DraftNote draft={editor.draft} />
        {wrong && <Note tone="wrong">{wrong}</Note>}
        <WordsEditor key={turn} input={input} change={change} errorAt={editor.errorAt} />
        <SenderFields input={input} change={change} errorAt={editor.errorAt} />
        <ComposerActsRow
          isKept={isKept}
          isPending={isPending}
          save={editor.save}
          attempt={attempt}
          props={props}
          input={input}
          reader={reader}
          setPreview={setPreview}
          setReader={setReader}
          summary={summary}
        />
        {props.copy && <CopyActs texts={props.copy} />}
        {preview && <MailPreview mail={preview} onClose={() => setPreview(null)} />}
      </div>
      <div className="flex flex-col gap-4 border-l border-rule pl-6">
        {sendsByItself ? (
          <FollowUpOffset input={input} change={change} />
        ) : (
          <AudienceColumn
            input={input}
            props={props}
            change={change}
            isPending={isPending}
            attempt={attempt}
            setSummary={setSummary}
            summary={summary}
            isKept={isKept}
            kept={kept}
            router={router}
          />
        )}
      </div>
    </section>
  );
}
