"use client";
import type { Done } from "@/contracts";
import type { Dispatch, SetStateAction } from "react";

import type { MailingInput } from "@/contracts";
import { type PreviewMail } from "@/features/shared/mail-preview";
import { Button, Field, Input, Select, toast } from "@/ui";
import type { FindContacts } from "@/features/shared/contact-search";
import type { AudienceChoices, ReadAudience } from "./audience-types";
import { type CopyTexts } from "./copy-acts";

export interface Summary {
  readonly count: number;
  readonly twice: number;
  readonly already: number;
  readonly unsubscribed: number;
  readonly failed: number;
  readonly byHand: number;
  readonly unread: readonly string[];
  readonly first: readonly { personId: string | null; name: string; email: string }[];
}

export interface ComposerActs {
  save(id: string | null, version: number, input: MailingInput): Promise<Done<{ id: string; version: number }>>;
  preview(input: MailingInput, personId: string | null): Promise<Done<PreviewMail>>;
  test(input: MailingInput): Promise<Done<string>>;
  count(kind: string, audience: MailingInput["audience"]): Promise<Done<Summary>>;
  readonly read: ReadAudience;
  readonly find: FindContacts;
  send(id: string): Promise<Done<{ planned: number; already: number }>>;
}

export const people = (count: number): string => (count === 1 ? "1 person" : `${count} people`);

export function left({ twice, already, unsubscribed, failed, byHand }: Summary): string {
  const parts = [
    twice > 0 && `${twice} named more than once`,
    already > 0 && `${already} asked or registered before`,
    unsubscribed > 0 && `${unsubscribed} want no mail`,
    failed > 0 && `${failed} whose mail came back`,
    byHand > 0 && `${byHand} by hand`,
  ];
  return parts.filter(Boolean).join(" · ");
}

export type ComposerProps = {
  draft: MailingInput & { id: string | null; version: number };
  choices: AudienceChoices;
  acts: ComposerActs;
  copy: CopyTexts | null;
};

export function SenderFields({
  input,
  change,
  errorAt,
}: {
  errorAt: (path: string) => string | undefined;
  input: MailingInput;
  change: (part: Partial<MailingInput>) => void;
}) {
  return (
    <div className="grid grid-cols-2 gap-3">
      <Field label="Sender’s name" hint="Empty: the organisation’s.">
        {(ids) => (
          <Input {...ids} value={input.senderName} onChange={(event) => change({ senderName: event.target.value })} />
        )}
      </Field>
      <Field label="Answers go to" error={errorAt("replyTo")} hint="Empty: back to the sender.">
        {(ids) => (
          <Input
            {...ids}
            type="email"
            value={input.replyTo}
            onChange={(event) => change({ replyTo: event.target.value })}
          />
        )}
      </Field>
    </div>
  );
}

export function ReaderChoice({
  reader,
  setReader,
  summary,
}: {
  reader: string;
  setReader: Dispatch<SetStateAction<string>>;
  summary: Summary | null;
}) {
  return (
    <Select
      aria-label="As which recipient"
      className="w-52!"
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
    </Select>
  );
}

export function FollowUpOffset({
  input,
  change,
}: {
  input: MailingInput;
  change: (part: Partial<MailingInput>) => void;
}) {
  return (
    <Field
      label="Goes, minutes after the end"
      hint={
        input.kind === "follow-up-came" ? "To everybody who came." : "To everybody who registered and did not come."
      }
    >
      {(ids) => (
        <Input
          {...ids}
          type="number"
          min={5}
          className="mono"
          value={input.afterMinutes ?? 60}
          onChange={(event) => change({ afterMinutes: Number(event.target.value) })}
        />
      )}
    </Field>
  );
}

export function ComposerActsRow({
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
        Save
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
