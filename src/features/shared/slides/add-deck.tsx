"use client";
import { useState } from "react";
import { useTranslations } from "use-intl";
import type { DeskView } from "@/core/room";
import { Combobox, Field, Note, Select, Upload } from "@/ui";
import { languageChoices } from "../languages";
import { useDeckUpload, type DeckFault } from "./use-deck-upload";

const ending = /\.pdf$/i;

function Fault({ fault }: { fault: DeckFault }) {
  const t = useTranslations("slides");
  return <Note tone="wrong">{typeof fault === "string" ? t(fault) : fault.words}</Note>;
}

/** Brings slides: a PDF, the language it is in, and whether it is another language of slides that are there. */
export function AddDeck(props: {
  occurrenceId: string;
  /** of somebody of the stage, who sends by their link */
  token: string | null;
  decks: DeskView["decks"];
  language: string;
  onDone: () => void;
}) {
  const t = useTranslations("slides");
  const [language, setLanguage] = useState(props.language);
  const [versionOfId, setVersionOf] = useState("");
  const { progress, fault, send } = useDeckUpload(props.onDone);
  const firsts = Object.entries(props.decks).filter(([, deck]) => deck.versionOfId === null);
  const take = (file: File) => {
    const title = file.name.replace(ending, "").trim() || file.name;
    const { occurrenceId, token } = props;
    void send(file, { occurrenceId, token, title, language, versionOfId: versionOfId || null });
  };
  return (
    <div className="flex flex-col gap-2">
      <div className="grid gap-3 sm:grid-cols-2">
        <div className="flex flex-col gap-1">
          <span className="text-label font-medium text-ink-2">{t("language")}</span>
          <Combobox
            label={t("language")}
            placeholder={t("language")}
            choices={languageChoices()}
            value={language}
            onChange={setLanguage}
          />
        </div>
        {firsts.length > 0 && (
          <Field label={t("versionOf")}>
            {(ids) => (
              <Select {...ids} value={versionOfId} onChange={(event) => setVersionOf(event.target.value)}>
                <option value="">{t("first")}</option>
                {firsts.map(([id, deck]) => (
                  <option key={id} value={id}>
                    {t("another", { title: deck.title })}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
      </div>
      <Upload
        label={t("add")}
        hint={t("addHint")}
        accept=".pdf,application/pdf"
        progress={progress}
        isDisabled={progress !== null}
        onFile={take}
      />
      {fault && <Fault fault={fault} />}
    </div>
  );
}
