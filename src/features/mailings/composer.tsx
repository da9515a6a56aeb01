"use client";
import type { Dispatch, SetStateAction } from "react";
import { usePathname, useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { toast } from "sonner";
import type { MailingInput } from "@/contracts";
import { isFollowUp } from "@/core/mailings";
import { DraftNote, useDraft } from "@/features/shared/use-draft";
import { MailPreview, type PreviewMail } from "@/features/shared/mail-preview";
import { Button, Confirm, Field, inputClass, Note } from "@/ui";
import { AudiencePicker, type AudienceChoices } from "./audience-picker";
import { CopyActs, type CopyTexts } from "./copy-acts";
import { kindWords } from "./field-words";
import { MailEditor } from "./mail-editor";

export type Done<T> = { ok: true; value: T } | { ok: false; words: string };
export interface Summary {
  readonly count: number;
  readonly twice: number;
  readonly already: number;
  readonly unsubscribed: number;
  readonly failed: number;
  readonly unread: readonly string[];
  readonly first: readonly { personId: string | null; name: string; email: string }[];
}
export interface ComposerActs {
  save(id: string | null, version: number, input: MailingInput): Promise<Done<{ id: string; version: number }>>;
  preview(input: MailingInput, personId: string | null): Promise<Done<PreviewMail>>;
  test(input: MailingInput): Promise<Done<string>>;
  count(kind: string, audience: MailingInput["audience"]): Promise<Done<Summary>>;
  send(id: string): Promise<Done<{ planned: number; already: number }>>;
}

const people = (count: number): string => (count === 1 ? "1 person" : `${count} people`);

function left({ twice, already, unsubscribed, failed }: Summary): string {
  const parts = [
    twice > 0 && `${twice} named more than once`,
    already > 0 && `${already} asked or registered before`,
    unsubscribed > 0 && `${unsubscribed} want no mail`,
    failed > 0 && `${failed} whose mail came back`,
  ];
  return parts.filter(Boolean).join(" · ");
}

type ComposerProps = {
  draft: MailingInput & { id: string | null; version: number };
  choices: AudienceChoices;
  acts: ComposerActs;
  copy: CopyTexts | null;
};

function SenderFields({ input, change }: { input: MailingInput; change: (part: Partial<MailingInput>) => void }) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <Field label="Sender’s name" hint="Empty: the organisation’s.">
        {(ids) => (
          <input
            {...ids}
            className={inputClass}
            value={input.senderName}
            onChange={(event) => change({ senderName: event.target.value })}
          />
        )}
      </Field>
      <Field label="Answers go to" hint="Empty: back to the sender.">
        {(ids) => (
          <input
            {...ids}
            type="email"
            className={inputClass}
            value={input.replyTo}
            onChange={(event) => change({ replyTo: event.target.value })}
          />
        )}
      </Field>
    </div>
  );
}

function ReaderChoice({
  reader,
  setReader,
  summary,
}: {
  reader: string;
  setReader: Dispatch<SetStateAction<string>>;
  summary: Summary | null;
}) {
  return (
    <select
      aria-label="As which recipient"
      className={`${inputClass} w-52!`}
      value={reader}
      onChange={(event) => setReader(event.target.value)}
    >
      <option value="">yourself</option>
      {(summary?.first ?? [])
        .filter((one) => one.personId)
        .map((one) => (
          <option key={one.personId} value={one.personId!}>
            {one.name || one.email}
          </option>
        ))}
    </select>
  );
}

function FollowUpOffset({ input, change }: { input: MailingInput; change: (part: Partial<MailingInput>) => void }) {
  return (
    <Field
      label="Goes, minutes after the end"
      hint={
        input.kind === "follow-up-came" ? "To everybody who came." : "To everybody who registered and did not come."
      }
    >
      {(ids) => (
        <input
          {...ids}
          type="number"
          min={5}
          className={`${inputClass} mono`}
          value={input.afterMinutes ?? 60}
          onChange={(event) => change({ afterMinutes: Number(event.target.value) })}
        />
      )}
    </Field>
  );
}

function SendOrNot({
  summary,
  isKept,
  isPending,
  attempt,
  props,
  kept,
  setSummary,
  router,
}: {
  summary: Summary;
  isKept: boolean;
  isPending: boolean;
  attempt: <T>(act: () => Promise<Done<T>>, then: (value: T) => void) => void;
  props: ComposerProps;
  kept: { id: string | null; version: number; text: string };
  setSummary: Dispatch<SetStateAction<Summary | null>>;
  router: ReturnType<typeof useRouter>;
}) {
  return (
    <div role="status">
      <p className="text-lead">
        <span className="mono">{summary.count}</span> would get it
      </p>
      {left(summary) && <p className="text-ink-2">Left out: {left(summary)}</p>}
      {summary.unread.length > 0 && (
        <p className="text-attention">No address in: {summary.unread.slice(0, 8).join(" · ")}</p>
      )}
      <Confirm
        weight="act"
        trigger={
          <Button weight="act" className="mt-2" disabled={!isKept || summary.count === 0 || isPending}>
            Send to {people(summary.count)}
          </Button>
        }
        title={`Send to ${people(summary.count)}`}
        act={`Send ${summary.count}`}
        onConfirm={() =>
          attempt(
            () => props.acts.send(kept.id!),
            ({ planned }) => {
              toast(`${people(planned)} will have it in a moment.`);
              setSummary(null);
              router.refresh();
            },
          )
        }
      >
        <p>Each gets a mail of their own and sees nobody else’s address. Whoever has this mailing already gets none.</p>
      </Confirm>
      {!isKept && <p className="mt-1 text-attention">Keep the mailing first.</p>}
    </div>
  );
}

function ComposerActsRow({
  isKept,
  isPending,
  save,
  attempt,
  props,
  input,
  reader,
  setPreview,
  setReader,
  summary,
}: {
  isKept: boolean;
  isPending: boolean;
  save: () => void;
  attempt: <T>(act: () => Promise<Done<T>>, then: (value: T) => void) => void;
  props: ComposerProps;
  input: MailingInput;
  reader: string;
  setPreview: Dispatch<SetStateAction<PreviewMail | null>>;
  setReader: Dispatch<SetStateAction<string>>;
  summary: Summary | null;
}) {
  return (
    <div className="flex flex-wrap items-center gap-2">
      <Button weight={isKept ? "quiet" : "act"} disabled={isPending || isKept} onClick={save}>
        Keep the mailing
      </Button>
      <Button disabled={isPending} onClick={() => attempt(() => props.acts.preview(input, reader || null), setPreview)}>
        See it as
      </Button>
      <ReaderChoice reader={reader} setReader={setReader} summary={summary} />
      <Button
        disabled={isPending}
        onClick={() =>
          attempt(
            () => props.acts.test(input),
            (to) => toast(`A test is on its way to ${to}.`),
          )
        }
      >
        Send me a test
      </Button>
    </div>
  );
}

function AudienceColumn({
  input,
  props,
  change,
  isPending,
  attempt,
  setSummary,
  summary,
  isKept,
  kept,
  router,
}: {
  input: MailingInput;
  props: ComposerProps;
  change: (part: Partial<MailingInput>) => void;
  isPending: boolean;
  attempt: <T>(act: () => Promise<Done<T>>, then: (value: T) => void) => void;
  setSummary: Dispatch<SetStateAction<Summary | null>>;
  summary: Summary | null;
  isKept: boolean;
  kept: { id: string | null; version: number; text: string };
  router: ReturnType<typeof useRouter>;
}) {
  return (
    <>
      <AudiencePicker value={input.audience} choices={props.choices} onChange={(audience) => change({ audience })} />
      <Button
        disabled={isPending}
        onClick={() => attempt(() => props.acts.count(input.kind, input.audience), setSummary)}
      >
        Count them
      </Button>
      {summary && (
        <SendOrNot
          summary={summary}
          isKept={isKept}
          isPending={isPending}
          attempt={attempt}
          props={props}
          kept={kept}
          setSummary={setSummary}
          router={router}
        />
      )}
    </>
  );
}

/** Writes one mailing: words around the join details, whom it goes to with its count, then kept, tried and sent. */
export function Composer(props: ComposerProps) {
  const { id: draftId, version: draftVersion, ...draft } = props.draft;
  const router = useRouter();
  const [input, setInput] = useState<MailingInput>(draft);
  const [kept, setKept] = useState({
    id: draftId,
    version: draftVersion,
    text: draftId === null ? "" : JSON.stringify(draft),
  });
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
            <input
              {...ids}
              className={inputClass}
              value={input.subject}
              onChange={(event) => change({ subject: event.target.value })}
            />
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
