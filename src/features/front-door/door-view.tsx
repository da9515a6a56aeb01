import type { ReactNode } from "react";
import { lookStyle } from "@/features/shared/look";
import { Agenda, type AgendaItem } from "./agenda";

export interface DoorStage {
  readonly ticketId: string;
  readonly name: string;
  readonly aboutLine: string;
  readonly portraitId: string | null;
}
export interface DoorWords {
  readonly onStage: string;
  readonly agenda: string;
  readonly beside: string;
  readonly files: string;
}

const sizeWords = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;

type DoorViewProps = {
  title: string;
  organisation: ReactNode;
  look: { readonly colour: string; readonly bannerId: string | null; readonly logoId: string | null };
  when: ReactNode;
  descriptionHtml: string;
  stage: readonly DoorStage[];
  agenda: readonly AgendaItem[];
  /** the event's, until the reader's own is known */
  zone: string;
  parts: readonly { readonly id: string; readonly clock: string; readonly title: string }[];
  files: readonly { readonly id: string; readonly name: string; readonly sizeBytes: number; readonly href: string }[];
  words: DoorWords;
  /** beside its editor the page is a picture of itself: what the editor is about stays the one `main` */
  isBeside?: boolean;
  children: ReactNode;
};

function OnStage({ words, props }: { words: DoorWords; props: DoorViewProps }) {
  return (
    <section className="mt-6">
      <h2 className="text-label font-medium text-ink-2">{words.onStage}</h2>
      <ul className="mt-1 grid gap-x-6 gap-y-3 @lg:grid-cols-2">
        {props.stage.map((person) => (
          <li key={person.ticketId} className="flex items-start gap-3">
            {}
            {person.portraitId && (
              <img src={`/pictures/${person.portraitId}`} alt="" className="size-14 rounded-control object-cover" />
            )}
            <span>
              <span className="block text-lead font-medium">
                <bdi>{person.name}</bdi>
              </span>
              {person.aboutLine && (
                <span className="block text-ink-2">
                  <bdi>{person.aboutLine}</bdi>
                </span>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The public page of an event, as its guests get it; as wide as what holds it, so that its editor shows the very same. */
export function DoorView(props: DoorViewProps) {
  const { look, words } = props;
  const Frame = props.isBeside ? "div" : "main";
  return (
    <div className="@container" style={lookStyle(look.colour)}>
      <div className="px-4 py-3" style={{ background: "var(--event-ground)", color: "var(--event-on-ground)" }}>
        <div className="mx-auto flex max-w-5xl items-center gap-3">
          {}
          {look.logoId && <img src={`/pictures/${look.logoId}`} alt="" className="h-8 w-auto" />}
          <span className="text-base">{props.organisation}</span>
        </div>
      </div>
      {}
      {look.bannerId && (
        <img src={`/pictures/${look.bannerId}`} alt="" className="block max-h-72 w-full object-cover" />
      )}
      <Frame className="mx-auto grid max-w-5xl gap-8 px-4 py-6 @3xl:grid-cols-[1fr_22rem]">
        <div>
          <h1 className="text-title leading-tight font-semibold break-words">
            <bdi>{props.title}</bdi>
          </h1>
          {props.when}
          <div
            className="prose mt-5 max-w-prose text-lead"
            dir="auto"
            dangerouslySetInnerHTML={{ __html: props.descriptionHtml }}
          />
          {props.stage.length > 0 && <OnStage words={words} props={props} />}
          {props.agenda.length > 0 && <Agenda items={props.agenda} zone={props.zone} label={words.agenda} />}
          {props.parts.length > 0 && (
            <section className="mt-6">
              <h2 className="text-label font-medium text-ink-2">{words.beside}</h2>
              <ul className="mt-1 border-s border-rule ps-3">
                {props.parts.map((part) => (
                  <li key={part.id} className="py-0.5">
                    <span className="mono">{part.clock}</span> {part.title}
                  </li>
                ))}
              </ul>
            </section>
          )}
          {props.files.length > 0 && (
            <section className="mt-6">
              <h2 className="text-label font-medium text-ink-2">{words.files}</h2>
              <ul className="mt-1">
                {props.files.map((file) => (
                  <li key={file.id} className="py-0.5">
                    <a href={file.href} dir="auto">
                      {file.name}
                    </a>{" "}
                    <span className="mono text-label text-ink-2">{sizeWords(file.sizeBytes)}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
        {props.children}
      </Frame>
    </div>
  );
}
