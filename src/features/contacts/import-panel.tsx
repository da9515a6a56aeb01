"use client";
import type { Dispatch, SetStateAction } from "react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { ImportLine, ImportPreview } from "@/contracts";
import { readableFields, type ReadableField } from "@/core/contacts";
import { Button, FileInput, Note, Select, Table } from "@/ui";

type Done = Extract<ImportLine, { type: "done" }>;

const fieldWords: Readonly<Record<ReadableField, string>> = {
  name: "name",
  email: "address",
  company: "company",
  phone: "phone",
  language: "language",
  time_zone: "time zone",
  tags: "tags",
  groups: "groups",
  note: "note",
  given_name: "given name",
  family_name: "family name",
};
const people = (count: number): string => (count === 1 ? "1 person" : `${count} people`);

function ColumnChoice({
  i,
  cell,
  preview,
  setPreview,
  look,
  file,
}: {
  i: number;
  cell: string;
  preview: ImportPreview;
  setPreview: Dispatch<SetStateAction<ImportPreview | null>>;
  look: (chosen: File, mapping: readonly (ReadableField | null)[] | null) => Promise<void>;
  file: File;
}) {
  return (
    <th key={i} className="min-w-32 pr-3 pb-1 align-top font-medium">
      <span className="block truncate text-label text-ink-2">{cell || `column ${i + 1}`}</span>
      <Select
        aria-label={`Column ${cell || i + 1} holds`}
        value={preview.mapping[i] ?? ""}
        disabled={preview.kind === "vcard"}
        onChange={(event) => {
          const field = (event.target.value || null) as ReadableField | null;
          const mapping = preview.mapping.map((old, k) => (k === i ? field : old === field ? null : old));
          setPreview({ ...preview, mapping });
          if (mapping.includes("email")) void look(file, mapping);
        }}
      >
        <option value="">left out</option>
        {readableFields.map((field) => (
          <option key={field} value={field}>
            {fieldWords[field]}
          </option>
        ))}
      </Select>
    </th>
  );
}

function SampleRows({ preview }: { preview: ImportPreview }) {
  return (
    <tbody>
      {preview.sample.map((row, k) => (
        <tr key={k} className="border-t border-rule">
          {preview.header.map((_cell, i) => (
            <td
              key={i}
              className={`max-w-44 truncate py-1 pr-3 ${preview.mapping[i] ? "" : "text-ink-2 line-through"}`}
              dir="auto"
            >
              {row[i]}
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  );
}

/** What the server says line by line while it reads. @returns whether it answered at all */
async function eachLine(response: Response | null, take: (line: ImportLine) => void): Promise<boolean> {
  const reader = response?.body?.pipeThrough(new TextDecoderStream()).getReader();
  if (!reader) return false;
  let rest = "";
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    const lines = (rest + part.value).split("\n");
    rest = lines.pop() ?? "";
    for (const line of lines.filter(Boolean)) take(JSON.parse(line) as ImportLine);
  }
  return true;
}

/** A file of contacts: how its columns would be read, what is wrong in which line, then taken in with its progress. */
export function ImportPanel() {
  const router = useRouter();
  const [file, setFile] = useState<File | null>(null);
  const [preview, setPreview] = useState<ImportPreview | null>(null);
  const [progress, setProgress] = useState<{ done: number; total: number } | null>(null);
  const [done, setDone] = useState<Done | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);

  const look = async (chosen: File, mapping: readonly (ReadableField | null)[] | null) => {
    setWrong(null);
    const query = mapping ? `&mapping=${encodeURIComponent(JSON.stringify(mapping))}` : "";
    const response = await fetch(`/upload/contacts?preview=1${query}`, { method: "POST", body: chosen }).catch(
      () => null,
    );
    const answer =
      response && ((await response.json()) as { ok: true; preview: ImportPreview } | { ok: false; words: string });
    if (answer?.ok) setPreview(answer.preview);
    else setWrong(answer?.words ?? "The file did not reach the server. Choose it again.");
  };
  const takeIn = async () => {
    if (!file || !preview) return;
    setProgress({ done: 0, total: preview.good });
    const response = await fetch(`/upload/contacts?mapping=${encodeURIComponent(JSON.stringify(preview.mapping))}`, {
      method: "POST",
      body: file,
    }).catch(() => null);
    const isRead = await eachLine(response, (line) => {
      if (line.type === "progress") setProgress(line);
      else if (line.type === "done") setDone(line);
      else setWrong(line.words);
    });
    if (!isRead) setWrong("The file did not reach the server. Nothing was imported; try again.");
    setProgress(null);
    setPreview(null);
    router.refresh();
  };
  return (
    <section aria-label="Import contacts" className="bg-sheet p-4">
      <h2 className="text-head font-semibold">Import contacts</h2>
      <p className="text-ink-2">
        Delimited text with a header row, or vCard. Addresses that are in the book already only gain what they lack.
      </p>
      <FileInput
        aria-label="File of contacts"
        accept=".csv,.tsv,.txt,.vcf,text/csv,text/vcard"
        className="mt-2"
        onChange={(event) => {
          const chosen = event.target.files?.[0] ?? null;
          setFile(chosen);
          setDone(null);
          if (chosen) void look(chosen, null);
        }}
      />
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {preview && file && (
        <div className="mt-3">
          <div className="overflow-x-auto">
            <Table className="text-left">
              <thead>
                <tr>
                  {preview.header.map((cell, i) => (
                    <ColumnChoice
                      key={i}
                      i={i}
                      cell={cell}
                      preview={preview}
                      setPreview={setPreview}
                      look={look}
                      file={file}
                    />
                  ))}
                </tr>
              </thead>
              <SampleRows preview={preview} />
            </Table>
          </div>
          {!preview.mapping.includes("email") && <Note tone="attention">One column has to hold the address.</Note>}
          {preview.bad.length > 0 && <BadLines bad={preview.bad} />}
          <Button
            weight="act"
            className="mt-3"
            disabled={!preview.mapping.includes("email") || preview.good === 0 || progress !== null}
            onClick={() => void takeIn()}
          >
            {progress ? `${progress.done} of ${progress.total}` : `Import ${people(preview.good)}`}
          </Button>
        </div>
      )}
      {done && (
        <div className="mt-3" role="status">
          <p>
            {people(done.added)} added, {done.changed} gained something, {done.unchanged} were in the book as they are.
          </p>
          {done.bad.length > 0 && <BadLines bad={done.bad} />}
        </div>
      )}
    </section>
  );
}

function BadLines({ bad }: { bad: readonly { line: number; reason: string }[] }) {
  return (
    <details className="mt-2 text-attention" open={bad.length < 6}>
      <summary>{bad.length === 1 ? "1 line stays out" : `${bad.length} lines stay out`}</summary>
      <ul className="mono text-label">
        {bad.map((one) => (
          <li key={one.line}>
            line {one.line}: {one.reason}
          </li>
        ))}
      </ul>
    </details>
  );
}
