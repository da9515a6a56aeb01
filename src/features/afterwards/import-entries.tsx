"use client";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import type { EntriesImported, EntriesPreview } from "@/contracts";
import { Button, Note, Select, Table, Td, Th, Upload } from "@/ui";

type Mapping = EntriesPreview["mapping"];
type Field = Exclude<Mapping[number], null>;
const fieldWords: Readonly<Record<Field, string>> = {
  person: "person’s mark",
  name: "name",
  email: "address",
  role: "role",
  device: "device",
  in: "came in",
  out: "went out",
};
const faultWords: Readonly<Record<string, string>> = {
  "bad-time": "a time is written as in 2026-11-26T18:00:00Z",
  "out-before-in": "they went out before they came in",
  "unknown-role": "there is no such role",
};
const entries = (count: number): string => (count === 1 ? "1 entry" : `${count} entries`);

type Answer<T> = ({ ok: true } & T) | { ok: false; words: string };
async function post<T>(url: string, file: File, query: string): Promise<Answer<T>> {
  const response = await fetch(`${url}?${query}`, { method: "POST", body: file }).catch(() => null);
  if (!response) return { ok: false, words: "The file did not reach the server. Nothing was imported; try again." };
  return (await response.json()) as Answer<T>;
}

function BadLines({ bad, count }: { bad: EntriesPreview["bad"]; count: number }) {
  if (count === 0) return null;
  return (
    <ul className="text-label text-wrong" aria-label="Lines that cannot be read">
      {bad.map((one) => (
        <li key={one.line}>
          line {one.line}: {faultWords[one.reason] ?? one.reason}
        </li>
      ))}
      {count > bad.length && <li>and {count - bad.length} more</li>}
    </ul>
  );
}

function Columns({ preview, choose }: { preview: EntriesPreview; choose: (mapping: Mapping) => void }) {
  return (
    <Table aria-label="How the columns are read">
      <thead>
        <tr>
          {preview.header.map((name, i) => (
            <Th key={i}>
              <span className="block truncate">{name || `column ${i + 1}`}</span>
              <Select
                aria-label={`Column ${name || i + 1} holds`}
                value={preview.mapping[i] ?? ""}
                onChange={(event) => {
                  const field = (event.target.value || null) as Mapping[number];
                  choose(preview.mapping.map((old, k) => (k === i ? field : old === field ? null : old)));
                }}
              >
                <option value="">left out</option>
                {Object.entries(fieldWords).map(([value, words]) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
              </Select>
            </Th>
          ))}
        </tr>
      </thead>
      <tbody>
        {preview.sample.map((row, k) => (
          <tr key={k}>
            {preview.header.map((_, i) => (
              <Td key={i} className="max-w-44 truncate">
                {row[i]}
              </Td>
            ))}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

/** Reads a file of entries into the date, of a room that ran elsewhere or a hall's door list: first how, then for good. */
export function ImportEntries({ url }: { url: string }) {
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [preview, setPreview] = useState<EntriesPreview | null>(null);
  const [done, setDone] = useState<EntriesImported | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const mappingQuery = (mapping: Mapping) => `mapping=${encodeURIComponent(JSON.stringify(mapping))}`;
  const look = (chosen: File, mapping: Mapping | null) =>
    run(async () => {
      const query = mapping ? `preview=1&${mappingQuery(mapping)}` : "preview=1";
      const answer = await post<{ preview: EntriesPreview }>(url, chosen, query);
      setWrong(answer.ok ? null : answer.words);
      setPreview(answer.ok ? answer.preview : null);
      setDone(null);
    });
  const take = () =>
    run(async () => {
      if (!file || !preview) return;
      const answer = await post<{ imported: EntriesImported }>(url, file, mappingQuery(preview.mapping));
      setWrong(answer.ok ? null : answer.words);
      if (!answer.ok) return;
      setDone(answer.imported);
      setPreview(null);
      router.refresh();
    });
  return (
    <section aria-label="Import entries" className="flex flex-col gap-3">
      <Upload
        label="Import entries from a file (CSV)"
        hint="A room that ran elsewhere, a hall’s door list: who came in and went out when."
        accept=".csv,text/csv"
        progress={null}
        isDisabled={isPending}
        onFile={(chosen) => {
          setFile(chosen);
          look(chosen, null);
        }}
      />
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {preview && (
        <>
          <Columns preview={preview} choose={(mapping) => file && look(file, mapping)} />
          <BadLines bad={preview.bad} count={preview.badCount} />
          <p role="status">
            {entries(preview.good)} to import
            {preview.known > 0 && `, ${preview.known} here already`}
            {preview.badCount > 0 && `, ${preview.badCount} cannot be read`}.
          </p>
          <Button weight="act" className="self-start" disabled={isPending || preview.good === 0} onClick={take}>
            Import {entries(preview.good)}
          </Button>
        </>
      )}
      {done && (
        <div role="status">
          <Note>
            {entries(done.added)} imported, {done.known} here already, {done.badCount} not read.
          </Note>
          <BadLines bad={done.bad} count={done.badCount} />
        </div>
      )}
    </section>
  );
}
