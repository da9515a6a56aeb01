"use client";
import type { Done } from "@/contracts";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { MailDoc, MailingKind } from "@/core/mailings";
import { Button, Field, Input, Note, toast } from "@/ui";

import { kindWords } from "./field-words";
import { MailEditor } from "./mail-editor";

/** The event's own words for a mail that goes by itself: kept here, sent when its moment comes. */
export function KindWords(props: {
  kind: MailingKind;
  subject: string;
  doc: MailDoc;
  isOwn: boolean;
  save: (input: { subject: string; doc: MailDoc } | null) => Promise<Done<void>>;
}) {
  const router = useRouter();
  const [subject, setSubject] = useState(props.subject);
  const [doc, setDoc] = useState(props.doc);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const keep = (input: { subject: string; doc: MailDoc } | null, words: string) =>
    run(async () => {
      const done = await props.save(input);
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      toast(words);
      router.push("?", { scroll: false });
      router.refresh();
    });
  return (
    <section aria-label={`Words of: ${kindWords[props.kind]}`} className="flex max-w-3xl flex-col gap-3">
      <p className="text-ink-2">
        {props.isOwn
          ? "These are the event’s own words."
          : "These are the standard words, in English; others read them in their own language. Once changed, everybody gets what stands here."}
      </p>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Field label="Subject">
        {(ids) => <Input {...ids} value={subject} onChange={(event) => setSubject(event.target.value)} />}
      </Field>
      <MailEditor doc={doc} onChange={setDoc} />
      <div className="flex gap-2">
        <Button
          weight="act"
          disabled={isPending}
          onClick={() => keep({ subject, doc }, "Saved. It goes when its moment comes.")}
        >
          Keep these words
        </Button>
        {props.isOwn && (
          <Button disabled={isPending} onClick={() => keep(null, "Back to the standard words.")}>
            Back to the standard words
          </Button>
        )}
      </div>
    </section>
  );
}
