"use client";
import { useState } from "react";
import { Empty, Field, Input, Table, Td, Th } from "@/ui";
import { firstSteps, terms } from "./terms";

export interface MatrixRow {
  readonly part: string;
  readonly words: string;
  readonly who: readonly string[];
  readonly duty: string | null;
  readonly when: string;
}

const plain = (text: string): string => text.normalize("NFKD").replace(/\p{M}/gu, "").toLowerCase();

/** Quick start, terms and who may do what, all of it searched as one types. */
export function HelpSearch({ matrix, columns }: { matrix: readonly MatrixRow[]; columns: readonly string[] }) {
  const [words, setWords] = useState("");
  const wanted = plain(words).split(/\s+/).filter(Boolean);
  const fits = (...texts: readonly string[]) => wanted.every((one) => plain(texts.join(" ")).includes(one));
  const steps = firstSteps.filter(([what, how]) => fits(what, how));
  const found = terms.filter(([word, meaning]) => fits(word, meaning));
  const rows = matrix.filter((row) => fits(row.part, row.words, row.duty ?? "", ...row.who));
  return (
    <div className="flex flex-col gap-6">
      <Field label="Search the help" className="max-w-md">
        {(ids) => <Input {...ids} type="search" value={words} onChange={(event) => setWords(event.target.value)} />}
      </Field>
      {steps.length + found.length + rows.length === 0 && (
        <Empty title="Nothing fits">Try another word, or fewer of them.</Empty>
      )}
      <div className="grid gap-8 lg:grid-cols-[22rem_minmax(0,1fr)]">
        {steps.length > 0 && (
          <section aria-label="Quick start">
            <h2 className="text-head font-semibold">Quick start</h2>
            <ol className="mt-2 flex flex-col gap-2">
              {steps.map(([what, how], i) => (
                <li key={what} className="grid grid-cols-[1.5rem_1fr]">
                  <span className="mono text-ink-2">{i + 1}</span>
                  <span>
                    <span className="font-medium">{what}</span>
                    <span className="block text-label text-ink-2">{how}</span>
                  </span>
                </li>
              ))}
            </ol>
          </section>
        )}
        {found.length > 0 && (
          <section aria-label="Words">
            <h2 className="text-head font-semibold">Words</h2>
            <dl className="mt-2 grid gap-x-8 gap-y-2 sm:grid-cols-2">
              {found.map(([word, meaning]) => (
                <div key={word}>
                  <dt className="font-medium">{word}</dt>
                  <dd className="text-label text-ink-2">{meaning}</dd>
                </div>
              ))}
            </dl>
          </section>
        )}
      </div>
      {rows.length > 0 && <Matrix rows={rows} columns={columns} />}
    </div>
  );
}

/** The permission table itself, as a matrix in words: nothing else decides. */
function Matrix({ rows, columns }: { rows: readonly MatrixRow[]; columns: readonly string[] }) {
  return (
    <section aria-label="Who may do what">
      <h2 className="text-head font-semibold">Who may do what</h2>
      <Table className="mt-2">
        <thead>
          <tr>
            <Th>Act</Th>
            {columns.map((one) => (
              <Th key={one} className="text-center">
                {one}
              </Th>
            ))}
            <Th>While the date is</Th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={row.words}>
              <Td>
                {rows[i - 1]?.part !== row.part && <span className="block text-label text-ink-2">{row.part}</span>}
                {row.words}
              </Td>
              {columns.map((one) => (
                <Td key={one} className="text-center align-bottom">
                  {row.who.includes(one) ? (
                    one === "Crew" && row.duty ? (
                      <span className="text-label text-ink-2">with {row.duty}</span>
                    ) : (
                      <span className="font-semibold text-action">yes</span>
                    )
                  ) : (
                    <span className="text-ink-2" aria-label="no">
                      –
                    </span>
                  )}
                </Td>
              ))}
              <Td className="align-bottom text-ink-2">{row.when}</Td>
            </tr>
          ))}
        </tbody>
      </Table>
    </section>
  );
}
