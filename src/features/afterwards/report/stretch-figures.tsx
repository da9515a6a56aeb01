"use client";
import { useEffect, useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { clockTime } from "@/core/time";
import { Button, Note, Press, classes } from "@/ui";
import type { Block } from "./instant";

/** What a marked stretch came to, with those who left in it. */
export interface StretchAnswer {
  readonly atStart: number;
  readonly atEnd: number;
  readonly people: number;
  readonly averageHouse: number | null;
  readonly cameCount: number;
  readonly leftCount: number;
  readonly left: readonly { readonly key: string; readonly name: string; readonly leftAt: number }[];
  readonly did: readonly { readonly words: string; readonly count: number }[];
}
export type AskStretch = (from: number, to: number) => Promise<Done<StretchAnswer>>;
/** Begins a mail to those who left in the stretch. */
export type MailLeft = (from: number, to: number) => Promise<Done<unknown>>;

interface Marked {
  readonly from: number;
  readonly to: number;
}

const Figure = ({ value, label }: { value: string; label: string }) => (
  <span className="whitespace-nowrap">
    <span className="mono text-lead">{value}</span> <span className="text-ink-2">{label}</span>
  </span>
);

function Segments(props: {
  blocks: readonly (Block & { readonly stayed: { readonly share: number | null; readonly of: number } })[];
  stretch: Marked | null;
  mark: (stretch: Marked) => void;
}) {
  return (
    <ul className="grid grid-cols-3 gap-x-6 max-lg:grid-cols-1" aria-label="Segments and who stayed through them">
      {props.blocks.map((block) => {
        const isMarked = props.stretch?.from === block.startAt && props.stretch.to === block.endAt;
        return (
          <li key={block.id} className="border-t border-rule">
            <Press
              aria-pressed={isMarked}
              className={classes("flex w-full gap-2 py-1 text-start hover:bg-raised", isMarked && "bg-raised")}
              onClick={() => props.mark({ from: block.startAt, to: block.endAt })}
            >
              <span className="min-w-0 flex-1 truncate">{block.title}</span>
              <span className="mono whitespace-nowrap text-ink-2">
                {block.stayed.share === null
                  ? "–"
                  : `${Math.round(block.stayed.share * 100)} % of ${block.stayed.of} stayed`}
              </span>
            </Press>
          </li>
        );
      })}
    </ul>
  );
}

function Answer(props: { answer: StretchAnswer; zone: string; mail: (() => void) | null; isPending: boolean }) {
  const { answer } = props;
  return (
    <>
      <p className="flex flex-wrap gap-x-6 gap-y-1">
        <Figure value={String(answer.people)} label="there at any time" />
        <Figure value={answer.averageHouse === null ? "–" : answer.averageHouse.toFixed(1)} label="on average" />
        <Figure value={`${answer.atStart} → ${answer.atEnd}`} label="from its start to its end" />
        <Figure value={String(answer.cameCount)} label="came" />
        <Figure value={String(answer.leftCount)} label="left and did not come back" />
        {answer.did.map(({ words, count }) => (
          <Figure key={words} value={String(count)} label={words} />
        ))}
      </p>
      {answer.leftCount > 0 && (
        <div className="mt-2">
          <p className="text-label text-ink-2">Left in it</p>
          <ul className="flex max-h-28 flex-wrap gap-x-5 overflow-y-auto" tabIndex={0} aria-label="Left in it">
            {answer.left.map(({ key, name, leftAt }) => (
              <li key={key} className="whitespace-nowrap">
                <span className="mono text-label text-ink-2">{clockTime(leftAt, props.zone)}</span>{" "}
                <bdi>{name || "unmatched guest"}</bdi>
              </li>
            ))}
            {answer.leftCount > answer.left.length && (
              <li className="text-ink-2">and {answer.leftCount - answer.left.length} more</li>
            )}
          </ul>
          {props.mail && (
            <Button className="mt-2" disabled={props.isPending} onClick={props.mail}>
              {answer.leftCount === 1 ? "Write to this person" : `Write to these ${answer.leftCount}`}
            </Button>
          )}
        </div>
      )}
    </>
  );
}

/** The figures of a stretch that was marked on the rail, or of a segment chosen by its name. */
export function StretchFigures(props: {
  zone: string;
  blocks: Parameters<typeof Segments>[0]["blocks"];
  stretch: Marked | null;
  ask: AskStretch;
  mail: MailLeft | null;
  mark: (stretch: Marked | null) => void;
}) {
  const { stretch, ask, mail, zone } = props;
  const [answer, setAnswer] = useState<Done<StretchAnswer> | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  useEffect(() => {
    let isGone = false;
    const load = async () => {
      const found = stretch && (await ask(Math.round(stretch.from), Math.round(stretch.to)));
      if (!isGone) setAnswer(found);
    };
    void load();
    return () => {
      isGone = true;
    };
  }, [stretch, ask]);
  const write = () =>
    run(async () => {
      const done = await mail!(Math.round(stretch!.from), Math.round(stretch!.to));
      setWrong(done.ok ? null : done.words);
    });
  return (
    <div className="mt-3">
      <Segments blocks={props.blocks} stretch={stretch} mark={props.mark} />
      {stretch && (
        <section
          aria-label="The stretch that is marked"
          className="mt-2 border-s-4 border-attention bg-sheet px-4 py-3"
        >
          <p className="mb-1 flex items-baseline gap-3">
            <span className="mono font-medium">
              {clockTime(stretch.from, zone)} – {clockTime(stretch.to, zone)}
            </span>
            <Button size="small" weight="plain" onClick={() => props.mark(null)}>
              Close
            </Button>
          </p>
          {answer === null ? (
            <p className="text-ink-2">Counting …</p>
          ) : answer.ok ? (
            <Answer answer={answer.value} zone={zone} mail={mail && write} isPending={isPending} />
          ) : (
            <Note tone="wrong">{answer.words}</Note>
          )}
          {wrong && <Note tone="wrong">{wrong}</Note>}
        </section>
      )}
    </div>
  );
}
