"use client";
import { useState } from "react";
import type { SurveyResult } from "@/core/survey";
import { holdsWords } from "@/core/shared";
import { Bar, Field, Input } from "@/ui";

const percent = (share: number): string => `${Math.round(share * 100)} %`;

function Figures({ figures, n }: { figures: NonNullable<SurveyResult["figures"]>; n: number }) {
  return (
    <p className="text-label text-ink-2">
      mean <span className="mono">{figures.mean.toFixed(2)}</span>
      {figures.interval && (
        <>
          {" "}
          (95 %: <span className="mono">{figures.interval.low.toFixed(2)}</span>–
          <span className="mono">{figures.interval.high.toFixed(2)}</span>)
        </>
      )}
      , median <span className="mono">{figures.median}</span>, of <span className="mono">{n}</span>
    </p>
  );
}

/** Words as they were written, those alike under one another; searched where there are many. */
function Texts({ result }: { result: SurveyResult }) {
  const [words, setWords] = useState("");
  const shown = result.lines.filter(({ label }) => holdsWords(label, words));
  return (
    <>
      {result.lines.length > 8 && (
        <Field label="Search in the answers" className="mt-1 w-60">
          {(ids) => <Input {...ids} type="search" value={words} onChange={(event) => setWords(event.target.value)} />}
        </Field>
      )}
      <ul className="mt-1 max-h-60 overflow-y-auto" tabIndex={0} aria-label="Answers in words">
        {shown.slice(0, 300).map(({ label, count }) => (
          <li key={label} className="flex gap-3 border-t border-rule py-1">
            <span className="mono text-ink-2">{count > 1 ? `${count} ×` : ""}</span>
            <span dir="auto" className="min-w-0 break-words">
              {label}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

function Lines({ result }: { result: SurveyResult }) {
  const most = Math.max(1, ...result.lines.map((one) => one.count));
  return (
    <ul className="mt-1">
      {result.lines.map((line) => (
        <li
          key={line.label}
          className="grid grid-cols-[8rem_1fr] items-center gap-3 py-0.5 sm:grid-cols-[8rem_1fr_11rem]"
        >
          <bdi className="truncate">{line.label}</bdi>
          <Bar value={line.count} most={most} label={`${line.label}: ${line.count}`} />
          <span className="mono col-span-2 text-end text-ink-2 sm:col-span-1">
            {line.count} · {percent(line.share)}
            {line.interval && ` (${percent(line.interval.low)}–${percent(line.interval.high)})`}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** What each question came to. */
export function SurveyQuestions({ results }: { results: readonly SurveyResult[] }) {
  return (
    <div className="grid gap-x-10 gap-y-5 lg:grid-cols-2">
      {results.map((result) => (
        <section key={result.question.id}>
          <h3 className="font-medium" dir="auto">
            {result.question.label}
          </h3>
          {result.figures && <Figures figures={result.figures} n={result.n} />}
          {result.n === 0 ? (
            <p className="text-ink-2">Nobody has answered this.</p>
          ) : result.question.kind === "text" ? (
            <Texts result={result} />
          ) : (
            <Lines result={result} />
          )}
        </section>
      ))}
    </div>
  );
}
