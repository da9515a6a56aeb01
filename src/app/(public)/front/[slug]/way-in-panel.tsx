import type { RegisterWords } from "@/features/front-door/types";
import type { Messages } from "@/contracts/messages";
import Link from "next/link";
import { cityIn } from "@/contracts/messages/cities";
import { clockTime, lengthIn, longDate } from "@/core/time";
import { translatorFor } from "@/contracts/messages";
import { OpenEntry } from "@/features/front-door/open-entry";
import { RegisterForm } from "@/features/front-door/register-form";
import { VisitorHour } from "@/features/front-door/when";
import { type FrontDoor } from "@/server/services/way-in/front-door";
import { countriesIn } from "../../../_lib/countries";
import { besidesOf } from "../../_lib/besides";
import { openEntryAction, registerAction } from "./actions";

export function WhenAndWhere({
  occurrence,
  event,
  words,
  format,
  t,
}: {
  occurrence: NonNullable<FrontDoor["occurrence"]>;
  event: FrontDoor["event"];
  words: Messages["front"];
  format: string;
  t: ReturnType<typeof translatorFor>;
}) {
  return (
    <div className="mt-3 border-s-4 border-action ps-3">
      <VisitorHour at={occurrence.startAt} eventZone={occurrence.zone} words={words.forYou} locale={format} />
      <p className="text-lead">
        {longDate(occurrence.startAt, occurrence.zone, format)},{" "}
        <time dateTime={new Date(occurrence.startAt).toISOString()} className="mono">
          {t("inCity", { time: clockTime(occurrence.startAt, occurrence.zone), city: cityIn(occurrence.zone, format) })}
        </time>
        {occurrence.hasPlannedEnd && (
          <span className="text-ink-2"> · {t("length", { length: lengthIn(occurrence.durationMinutes, format) })}</span>
        )}
      </p>
      {occurrence.screeningOf !== null && <p>{words.screening}</p>}
      {besidesOf(event, format).map((line) => (
        <p key={line} className="text-ink-2">
          <bdi>{line}</bdi>
        </p>
      ))}
    </div>
  );
}

export function OtherDates({
  words,
  door,
  slug,
  occurrence,
  format,
}: {
  words: Messages["front"];
  door: FrontDoor;
  slug: string;
  occurrence: FrontDoor["occurrence"];
  format: string;
}) {
  return (
    <nav aria-label={words.otherDates} className="mb-3">
      <p className="text-label font-medium text-ink-2">{words.otherDates}</p>
      <ul className="max-h-48 overflow-y-auto">
        {door.dates.map((date) => (
          <li key={date.id}>
            <Link
              href={`/front/${slug}?date=${date.id}`}
              prefetch={false}
              aria-current={date.id === occurrence?.id ? "date" : undefined}
              className={date.id === occurrence?.id ? "font-semibold" : ""}
            >
              {longDate(date.startAt, date.zone, format)},{" "}
              <span className="mono">{clockTime(date.startAt, date.zone)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}

export function WayInPanel({
  over,
  event,
  words,
  occurrence,
  door,
  t,
  slug,
  format,
  formWords,
  organisation,
  query,
  prefill,
}: {
  over: string | null;
  event: FrontDoor["event"];
  words: Messages["front"];
  occurrence: FrontDoor["occurrence"];
  door: FrontDoor;
  t: ReturnType<typeof translatorFor>;
  slug: string;
  format: string;
  formWords: RegisterWords;
  organisation: FrontDoor["organisation"];
  query: { via: string | undefined; for: string | undefined };
  prefill: { name: string; email: string } | null;
}) {
  // a tag longer than is kept must not keep somebody out
  const cameBy = {
    source: query.via?.slice(0, 60) ?? null,
    invitedBy: query.for ?? null,
    dateId: occurrence?.id ?? null,
  };
  return (
    <section aria-labelledby="register" className="self-start border-t-4 border-action bg-sheet p-5">
      <h2 id="register" className="mb-3 text-head font-semibold">
        {over ?? (event.entryBy === "open-link" ? words.comeIn : words.register)}
      </h2>
      {!occurrence && <p className="mb-3 text-ink-2">{words.roomClosedMore}</p>}
      {over === null && event.entryBy === "registration" && occurrence?.phase === "open" && (
        <p className="mb-3 text-attention">{words.live}</p>
      )}
      {over === null && door.placesLeft !== null && (
        <p className="mb-3 text-ink-2">
          {door.placesLeft === 0 ? words.full : t("placesLeft", { count: door.placesLeft })}
        </p>
      )}
      {door.dates.length > 1 && (
        <OtherDates words={words} door={door} slug={slug} occurrence={occurrence} format={format} />
      )}
      {over === null && event.isRecorded && (
        <p className="mb-3 text-label text-ink-2">{event.consentText || words.recorded}</p>
      )}
      {over === null && event.entryBy === "open-link" && (
        <OpenEntry
          action={openEntryAction.bind(null, slug, occurrence?.id ?? null)}
          words={{
            ...formWords,
            submit: words.comeInAct,
            consent: t("consentName", { days: organisation.retentionDays }),
          }}
        />
      )}
      {over === null && event.entryBy === "registration" && (
        <RegisterForm
          key={occurrence?.id}
          action={registerAction.bind(null, slug, cameBy)}
          address={`/front/${slug}/register`}
          cameBy={cameBy}
          fields={event.formFields}
          countries={event.formFields.some((field) => field.kind === "country") ? countriesIn(format) : []}
          prefill={prefill}
          words={formWords}
        />
      )}
      {door.recordingSlug && (
        <a className="mt-3 inline-block" href={`/on-demand/${door.recordingSlug}`}>
          {words.watch}
        </a>
      )}
      <p className="mt-4 text-label">
        <a href={`/front/${slug}/calendar.ics`}>{words.calendar}</a>
      </p>
    </section>
  );
}
