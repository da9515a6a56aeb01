"use client";
import { useState } from "react";
import type { MailingInput, MailingVersion } from "@/contracts";
import { languageNames, localeCodes, type Locale } from "@/contracts/messages/locales";
import { Button, ChoiceBar, Field, Input, Menu } from "@/ui";
import { MailEditor } from "./mail-editor";

const first = "first";

interface Editing {
  readonly input: MailingInput;
  readonly change: (part: Partial<MailingInput>) => void;
  readonly errorAt: (path: string) => string | undefined;
}

/** The languages that a mailing is written in: one chosen to be edited, another added, the chosen one removed. */
function Languages(props: Editing & { chosen: Locale | null; choose: (locale: Locale | null) => void }) {
  const { input, change, chosen, choose } = props;
  const written = input.versions.map((one) => one.locale);
  const free = localeCodes.filter((locale) => !written.includes(locale));
  const add = (locale: Locale) => {
    // begins with the first one's words, to be translated where they stand
    change({ versions: [...input.versions, { locale, subject: input.subject, doc: input.doc }] });
    choose(locale);
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      {written.length > 0 && (
        <ChoiceBar
          label="Language of the words"
          choices={[
            { value: first, label: "Everybody else" },
            ...written.map((locale) => ({ value: locale as string, label: languageNames[locale] })),
          ]}
          value={chosen ?? first}
          onChange={(value) => choose(value === first ? null : (value as Locale))}
        />
      )}
      {free.length > 0 && (
        <Menu
          trigger={<Button weight="plain">Add a language</Button>}
          items={free.map((locale) => ({ label: languageNames[locale], onSelect: () => add(locale) }))}
        />
      )}
      {chosen && (
        <Button
          weight="plain"
          onClick={() => {
            change({ versions: input.versions.filter((one) => one.locale !== chosen) });
            choose(null);
          }}
        >
          Remove {languageNames[chosen]}
        </Button>
      )}
    </div>
  );
}

/** Subject and words of a mailing, in one language or in several: each reader gets the one they chose. */
export function WordsEditor(props: Editing) {
  const { input, change, errorAt } = props;
  const [chosen, choose] = useState<Locale | null>(null);
  const at = input.versions.findIndex((one) => one.locale === chosen);
  const version = input.versions[at];
  const shown = version ?? input;
  const edit = (part: Partial<Pick<MailingVersion, "subject" | "doc">>) =>
    version
      ? change({ versions: input.versions.map((one, i) => (i === at ? { ...one, ...part } : one)) })
      : change(part);
  return (
    <>
      <Languages {...props} chosen={version ? chosen : null} choose={choose} />
      <Field label="Subject" error={errorAt(version ? `versions.${at}.subject` : "subject")}>
        {(ids) => (
          <Input
            {...ids}
            dir="auto"
            value={shown.subject}
            onChange={(event) => edit({ subject: event.target.value })}
          />
        )}
      </Field>
      <MailEditor
        key={version?.locale ?? first}
        doc={shown.doc}
        onChange={(doc) => edit({ doc: doc as MailingInput["doc"] })}
      />
      {version && (
        <p className="text-label text-ink-2">
          Readers who chose {languageNames[version.locale]} get these words, everybody else the first ones.
        </p>
      )}
    </>
  );
}
