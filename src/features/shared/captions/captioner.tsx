"use client";
import { useState } from "react";
import { useLocale, useTranslations } from "use-intl";
import { correctWithinMs, expanded, mostCaptionLetters, type AnyView } from "@/core/room";
import { Button, classes, Field, List, ListItem, Select, Tabs, Textarea, TextButton } from "@/ui";
import { languageName } from "../languages";
import type { RoomLink } from "../room-link/use-room";
import { useKept } from "../use-kept";
import { useNow } from "../use-now";
import { ByRecognition } from "./by-recognition";
import { ManuscriptFeed } from "./manuscript-feed";
import { linesOf } from "./rows";

type Link = Pick<RoomLink<AnyView>, "send" | "whisper" | "logs" | "clockAheadMs">;
const lastShown = 4;

/** One's own abbreviations: "hw = high water", one a line. */
export const shortsIn = (text: string): Readonly<Record<string, string>> =>
  Object.fromEntries(
    text
      .split("\n")
      .map((line) => line.split("=").map((part) => part.trim()))
      .flatMap(([short, long]) => (short && long ? [[short, long] as const] : [])),
  );

/** What stands and what is typed: Enter sends it, a line of one's own is put right within ten seconds. */
function Typing({
  link,
  language,
  ticketId,
  shorts,
}: {
  link: Link;
  language: string;
  ticketId: string;
  shorts: string;
}) {
  const t = useTranslations("captions");
  const [text, setText] = useState("");
  const [mending, setMending] = useState<string | null>(null);
  const now = useNow(0, link.clockAheadMs, 1000);
  const lines = linesOf(link.logs.get("captions:lines")?.rows ?? [], language).slice(-lastShown);
  const send = async () => {
    const whole = expanded(text.trim(), shortsIn(shorts));
    if (whole === "") return;
    setText("");
    setMending(null);
    // what was typed stands now: it is typed no more
    link.whisper({ type: "captions.typing", language, text: "" });
    const receipt = await link.send({ type: "captions.say", language, text: whole, replacesId: mending });
    // nothing typed is lost
    if (!receipt.ok) setText((next) => next || text);
  };
  return (
    <div className="flex flex-col gap-2">
      <List label={t("last")}>
        {lines.map((line, i) => {
          const isOwn = line.authorId === ticketId && now - line.at < correctWithinMs;
          return (
            <ListItem
              key={line.id}
              acts={
                isOwn && (
                  <TextButton
                    className="text-label text-action"
                    onClick={() => {
                      setMending(line.id);
                      setText(line.text);
                    }}
                  >
                    {t("mend")}
                  </TextButton>
                )
              }
            >
              <bdi className={classes("block", i >= lines.length - 2 ? "text-lead" : "text-ink-2")}>{line.text}</bdi>
            </ListItem>
          );
        })}
      </List>
      <Field label={mending ? t("mending") : t("type")} hint={t("typeHint")}>
        {(ids) => (
          <Textarea
            {...ids}
            rows={2}
            lang={language}
            dir="auto"
            maxLength={mostCaptionLetters}
            className="text-lead"
            value={text}
            onChange={(event) => {
              setText(event.target.value);
              link.whisper({ type: "captions.typing", language, text: event.target.value });
            }}
            onKeyDown={(event) => {
              if (event.key === "Escape") {
                setMending(null);
                setText("");
              }
              if (event.key !== "Enter" || event.shiftKey || event.nativeEvent.isComposing) return;
              event.preventDefault();
              void send();
            }}
          />
        )}
      </Field>
      <Button weight="act" className="self-start" onClick={() => void send()}>
        {t("send")}
      </Button>
    </div>
  );
}

/** A captioner's place: a language, the last lines that stand, the line being typed; or a text that is fed by the voice. */
export function Captioner(props: {
  link: Link;
  languages: readonly string[];
  ticketId: string;
  /** whether anybody on stage is heard now */
  isHeard: boolean;
  isRehearsal: boolean;
}) {
  const { link, languages } = props;
  const locale = useLocale();
  const t = useTranslations("captions");
  const [kept, setLanguage] = useKept<string | null>("caption-language", null);
  const [shorts, setShorts] = useKept("caption-shorts", "");
  const language = kept !== null && languages.includes(kept) ? kept : languages[0];
  if (language === undefined) return <p className="bg-sheet p-3 text-ink-2">{t("notOpen")}</p>;
  const say = (text: string) => void link.send({ type: "captions.say", language, text, replacesId: null });
  return (
    <section aria-label={t("title")} className="flex flex-col gap-3 bg-sheet p-3">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="flex-1 font-semibold">{t("title")}</h2>
        {languages.length > 1 && (
          <Field label={t("writeIn")}>
            {(ids) => (
              <Select {...ids} value={language} onChange={(event) => setLanguage(event.target.value)}>
                {languages.map((one) => (
                  <option key={one} value={one}>
                    {languageName(one, locale)}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
      </div>
      <Tabs
        label={t("way")}
        tabs={[
          {
            id: "type",
            label: t("byHand"),
            content: <Typing link={link} language={language} ticketId={props.ticketId} shorts={shorts} />,
          },
          {
            id: "manuscript",
            label: t("byText"),
            content: <ManuscriptFeed isHeard={props.isHeard} say={say} />,
          },
          {
            id: "recognition",
            label: t("byRecognition"),
            content: (
              <ByRecognition
                // another language is another listening
                key={language}
                language={language}
                isRehearsal={props.isRehearsal}
                say={say}
                typing={(text) => link.whisper({ type: "captions.typing", language, text })}
              />
            ),
          },
          {
            id: "shorts",
            label: t("shorts"),
            content: (
              <Field label={t("shorts")} hint={t("shortsHint")}>
                {(ids) => (
                  <Textarea
                    {...ids}
                    rows={6}
                    maxLength={4000}
                    value={shorts}
                    onChange={(event) => setShorts(event.target.value)}
                  />
                )}
              </Field>
            ),
          },
        ]}
      />
    </section>
  );
}
