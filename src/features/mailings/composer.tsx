"use client";
import type { Done } from "@/contracts";
import { Summary, ComposerProps, SenderFields, FollowUpOffset, ComposerActsRow } from "./composer-parts";
import { AudienceColumn } from "./send-column";
import { usePathname, useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { MailingInput } from "@/contracts";
import { isFollowUp } from "@/core/mailings";
import { DraftNote, useDraft } from "@/features/shared/use-draft";
import { MailPreview, type PreviewMail } from "@/features/shared/mail-preview";
import { Field, Input, Note, toast } from "@/ui";
import { CopyActs } from "./copy-acts";
import { kindWords } from "./field-words";
import { MailEditor } from "./mail-editor";

/** Writes one mailing: words around the join details, whom it goes to with its count, then kept, tried and sent. */
export function Composer(props: ComposerProps) {
  const { id: draftId, version: draftVersion, ...draft } = props.draft;
  const router = useRouter();
  const [input, setInput] = useState<MailingInput>(draft);
  const text = draftId === null ? "" : JSON.stringify(draft);
  const [kept, setKept] = useState({ id: draftId, version: draftVersion, text });
  const [summary, setSummary] = useState<Summary | null>(null);
  const [preview, setPreview] = useState<PreviewMail | null>(null);
  const [reader, setReader] = useState<string>("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const change = (part: Partial<MailingInput>) => {
    setInput({ ...input, ...part });
    if (part.audience) setSummary(null);
  };
  const attempt = <T,>(act: () => Promise<Done<T>>, then: (value: T) => void) =>
    run(async () => {
      const done = await act();
      setWrong(done.ok ? null : done.words);
      if (done.ok) then(done.value);
    });
  const isKept = kept.text === JSON.stringify(input);
  const [turn, setTurn] = useState(0);
  const isTouched = JSON.stringify(input) !== (kept.text || JSON.stringify(draft));
  const typed = useDraft(
    `mailing ${usePathname()} ${draftId ?? draft.kind}`,
    () => input,
    isTouched,
    (before) => {
      change(before);
      // the editor begins anew with the words brought back
      setTurn(turn + 1);
    },
  );
  const sendsByItself = isFollowUp(input.kind);
  const save = () =>
    attempt(
      () => props.acts.save(kept.id, kept.version, input),
      (saved) => {
        setKept({ ...saved, text: JSON.stringify(input) });
        typed.forget();
        toast("Kept. Nothing was sent.");
        if (kept.id === null) router.replace(`?mailing=${saved.id}`, { scroll: false });
        router.refresh();
      },
    );
  return (
    <section aria-label={kindWords[input.kind]} className="grid grid-cols-[1fr_22rem] gap-6">
      <div className="flex flex-col gap-3">
        <DraftNote draft={typed} />
        {wrong && <Note tone="wrong">{wrong}</Note>}
        <Field label="Subject">
          {(ids) => (
            <Input {...ids} value={input.subject} onChange={(event) => change({ subject: event.target.value })} />
          )}
        </Field>
        <MailEditor key={turn} doc={input.doc} onChange={(doc) => change({ doc: doc as MailingInput["doc"] })} />
        <SenderFields input={input} change={change} />
        <ComposerActsRow
          isKept={isKept}
          isPending={isPending}
          save={save}
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
