"use client";
import type { ReactNode } from "react";
import type { Done, EntryOfPerson, PersonPage } from "@/contracts";
import { clockTime, shortDate } from "@/core/time";
import { spanText } from "@/features/shared/times";
import { Badge, Table, Td, Th } from "@/ui";
import { CorrectEntry, OneAct } from "./person-acts";

const Section = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="break-inside-avoid pt-5">
    <h2 className="text-lead font-semibold">{title}</h2>
    {children}
  </section>
);
const exact = (at: number, zone: string): string =>
  `${clockTime(at, zone)}:${String(new Date(at).getUTCSeconds()).padStart(2, "0")}`;

function Entries(props: {
  entries: readonly EntryOfPerson[];
  zone: string;
  correct: Parameters<typeof CorrectEntry>[0]["correct"] | null;
  undo: ((correctionId: string) => Promise<Done<unknown>>) | null;
}) {
  const { zone, correct, undo } = props;
  if (props.entries.length === 0) return <p className="text-ink-2">They never came in.</p>;
  return (
    <Table aria-label="Entries">
      <thead>
        <tr>
          <Th>Device</Th>
          <Th>Came in</Th>
          <Th>Went out</Th>
          <Th>
            <span className="sr-only">Corrections</span>
          </Th>
        </tr>
      </thead>
      <tbody>
        {props.entries.map((entry) => (
          <tr key={entry.entryKey}>
            <Td>{entry.device}</Td>
            <Td className="mono">{exact(entry.inAt, zone)}</Td>
            <Td className="mono">{exact(entry.outAt, zone)}</Td>
            <Td>
              {entry.was && (
                <span className="me-2 text-label text-ink-2">
                  was{" "}
                  <span className="mono">
                    {exact(entry.was.inAt, zone)} – {exact(entry.was.outAt, zone)}
                  </span>
                  : {entry.was.reason}
                </span>
              )}
              {entry.was && undo ? (
                <OneAct act={undo.bind(null, entry.was.correctionId)} words="Undo" done="As it was written down." />
              ) : (
                correct && <CorrectEntry {...entry} zone={zone} correct={correct} />
              )}
            </Td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

function Said({ found, zone }: { found: PersonPage; zone: string }) {
  const { questions, ballots, chat, floor, person } = found;
  const counts = [
    [chat.lines, "chat lines"],
    [chat.notes, "notes"],
    [person.hands, "raised hands"],
    [person.votes, "votes"],
  ] as const;
  return (
    <>
      <Section title="Said and answered">
        <p className="text-ink-2">
          {counts.map(([count, words]) => `${count} ${words}`).join(" · ")}
          {floor.map((turn) =>
            turn.acceptedAt === null
              ? ""
              : ` · spoke at ${clockTime(turn.acceptedAt, zone)}, ${spanText(turn.openMs)} open`,
          )}
        </p>
        <ul>
          {questions.map((question) => (
            <li key={question.askedAt} className="border-t border-rule py-1">
              <span className="mono text-label text-ink-2">{clockTime(question.askedAt, zone)}</span>{" "}
              <span dir="auto">{question.text}</span> <Badge>{question.state.replace("-", " ")}</Badge>
              {question.answer && (
                <p dir="auto" className="border-s-2 border-action ps-2">
                  {question.answer}
                </p>
              )}
            </li>
          ))}
          {ballots.map((ballot, i) => (
            <li key={i} className="border-t border-rule py-1">
              <span className="mono text-label text-ink-2">{clockTime(ballot.at, zone)}</span>{" "}
              <span className="text-ink-2">{ballot.poll}</span>{" "}
              <span dir="auto" className="font-medium">
                {ballot.answer}
              </span>
            </li>
          ))}
        </ul>
      </Section>
    </>
  );
}

/** Everything that is known of one person's evening, in two columns. */
export function PersonDetails(props: {
  found: PersonPage;
  zone: string;
  registered: string | null;
  correct: Parameters<typeof CorrectEntry>[0]["correct"] | null;
  undo: ((correctionId: string) => Promise<Done<unknown>>) | null;
}) {
  const { found, zone } = props;
  return (
    <div className="gap-10 lg:columns-2">
      <Section title="Entries">
        <Entries entries={found.entries} zone={zone} correct={props.correct} undo={props.undo} />
      </Section>
      <Section title="Registration">
        <dl className="grid grid-cols-[10rem_1fr] gap-x-3">
          <dt className="text-ink-2">Registered</dt>
          <dd className="mono">{props.registered ?? "–"}</dd>
          <dt className="text-ink-2">Came from</dt>
          <dd>{found.person.source || "–"}</dd>
          <dt className="text-ink-2">Time zone</dt>
          <dd>{found.zone?.replaceAll("_", " ") ?? "–"}</dd>
          {found.answers.map(({ label, answer }) => (
            <div key={label} className="contents">
              <dt className="text-ink-2">{label}</dt>
              <dd dir="auto">{answer}</dd>
            </div>
          ))}
        </dl>
      </Section>
      <Said found={found} zone={zone} />
      <Section title="Watched on demand">
        <p className="text-ink-2">
          {found.watched
            ? `${spanText(found.watched.seconds * 1000)}, ${Math.round(found.watched.coverage * 100)} % of it, opened ${found.watched.views === 1 ? "once" : `${found.watched.views} times`}, last on ${shortDate(found.watched.lastAt, zone)}`
            : "Nothing."}
        </p>
      </Section>
      {found.taken.length > 0 && (
        <Section title="Files taken">
          <ul>
            {found.taken.map((file) => (
              <li key={file.name} className="flex gap-3 border-t border-rule py-1">
                <span className="mono text-label whitespace-nowrap text-ink-2">
                  {shortDate(file.at, zone)} {clockTime(file.at, zone)}
                </span>
                <bdi className="min-w-0 flex-1 truncate">{file.name}</bdi>
              </li>
            ))}
          </ul>
        </Section>
      )}
      <Section title="Mails of this date">
        {found.mails.length === 0 && <p className="text-ink-2">None.</p>}
        <ul>
          {found.mails.map((mail, i) => (
            <li key={i} className="flex gap-3 border-t border-rule py-1">
              <span className="mono text-label whitespace-nowrap text-ink-2">
                {shortDate(mail.at, zone)} {clockTime(mail.at, zone)}
              </span>
              <span className="min-w-0 flex-1 truncate" dir="auto">
                {mail.subject || mail.kind.replaceAll("-", " ")}
              </span>
              <Badge tone={mail.state === "failed" ? "wrong" : "plain"}>{mail.state}</Badge>
            </li>
          ))}
        </ul>
      </Section>
    </div>
  );
}
