"use client";
import { useMemo, useState } from "react";
import type { PersonOfDate } from "@/contracts";
import { Checkbox, Empty, Field, Input, Select } from "@/ui";
import { filteredPeople, markWords, personMarks, sortedPeople, type PeopleSorting, type PersonMark } from "./filters";
import { PeopleActs, type PeopleActsProps } from "./people-acts";
import { PeopleTable } from "./people-table";

const sortingWords: Readonly<Record<PeopleSorting, string>> = {
  name: "Name",
  minutes: "Minutes there",
  questions: "Questions asked",
  votes: "Votes",
  arrival: "Who came first",
};

/** Everybody of a date's audience: found, filtered, and written to as they stand there. */
export function People(
  props: Omit<PeopleActsProps, "keys"> & {
    rows: readonly PersonOfDate[];
    base: string;
    from: number;
    to: number;
    zone: string;
    first: readonly PersonMark[];
  },
) {
  const [words, setWords] = useState("");
  const [marks, setMarks] = useState<readonly PersonMark[]>(props.first);
  const [source, setSource] = useState<string | null>(null);
  const [by, setBy] = useState<PeopleSorting>("name");
  const { rows } = props;
  const sources = useMemo(() => [...new Set(rows.map((one) => one.source).filter(Boolean))].sort(), [rows]);
  const shown = useMemo(
    () => sortedPeople(filteredPeople(rows, { words, marks, source }), by),
    [rows, words, marks, source, by],
  );
  const turn = (mark: PersonMark) =>
    setMarks(marks.includes(mark) ? marks.filter((one) => one !== mark) : [...marks, mark]);
  return (
    <>
      <div className="flex flex-wrap items-end gap-3">
        <Field label="Search" className="w-56">
          {(ids) => <Input {...ids} type="search" value={words} onChange={(event) => setWords(event.target.value)} />}
        </Field>
        {sources.length > 0 && (
          <Field label="Came from" className="w-44">
            {(ids) => (
              <Select {...ids} value={source ?? ""} onChange={(event) => setSource(event.target.value || null)}>
                <option value="">anywhere</option>
                {sources.map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </Select>
            )}
          </Field>
        )}
        <Field label="Sort by" className="w-44">
          {(ids) => (
            <Select {...ids} value={by} onChange={(event) => setBy(event.target.value as PeopleSorting)}>
              {Object.entries(sortingWords).map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <div className="ms-auto">
          <PeopleActs keys={shown.map((one) => one.key)} mail={props.mail} note={props.note} file={props.file} />
        </div>
      </div>
      <fieldset className="mt-3 flex flex-wrap gap-x-4 gap-y-1">
        <legend className="sr-only">Only those who</legend>
        {personMarks.map((mark) => (
          <label key={mark} className="flex items-center gap-1.5">
            <Checkbox checked={marks.includes(mark)} onChange={() => turn(mark)} />
            {markWords[mark]}
          </label>
        ))}
      </fieldset>
      <p className="my-2 text-ink-2" role="status">
        <span className="mono">{shown.length}</span> of <span className="mono">{rows.length}</span>
      </p>
      {rows.length === 0 ? (
        <Empty title="Nobody had registered, and nobody came." />
      ) : shown.length === 0 ? (
        <Empty title="Nobody is like that.">Take a mark away, or search for less.</Empty>
      ) : (
        <div className="relative max-lg:overflow-x-auto">
          <PeopleTable rows={shown} base={props.base} from={props.from} to={props.to} zone={props.zone} />
        </div>
      )}
    </>
  );
}
