import type { Done } from "@/contracts";
import { AfterNav } from "@/features/afterwards/report/after-nav";
import { SurveyEditor } from "@/features/afterwards/survey/survey-editor";
import { SurveyQuestions } from "@/features/afterwards/survey/survey-results";
import { ActButton } from "@/features/shared/act-button";
import { CutBy } from "@/features/afterwards/survey/cut-by";
import { TeamBar } from "@/features/shared/team-bar";
import { Workspace } from "@/features/shared/workspace";
import { fewestTogether } from "@/core/survey";
import { freshSurvey, surveyResults, type SurveyResults } from "@/server/services/afterwards/survey";
import { Empty } from "@/ui";
import { signOutAction } from "../../../../../sign-in/actions";
import { remindOfSurveyAction, saveSurveyAction } from "../../../report-actions";
import { reportPage, type ReportParams } from "../report-page";

export const metadata = { title: "Survey" };

function Answers({
  found,
  folder,
  remind,
}: {
  found: SurveyResults;
  folder: string;
  remind: (() => Promise<Done<unknown>>) | null;
}) {
  const { survey, answered, asked, silent, results, groups } = found;
  if (!survey) return null;
  const choices = survey.questions.filter((one) => one.kind === "choice");
  return (
    <section className="mb-8">
      <div className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-2">
        <p className="text-lead">
          <span className="mono">{answered}</span> of <span className="mono">{asked}</span> who were asked have answered
          {asked > 0 && (
            <>
              {" "}
              · <span className="mono">{Math.round((answered / asked) * 100)} %</span>
            </>
          )}
        </p>
        <a href={`${folder}/survey.csv`}>survey.csv</a>
        {remind && survey.isOn && silent !== null && silent > 0 && (
          <ActButton
            act={remind}
            words={
              silent === 1 ? "Write to the one who has not answered" : `Write to the ${silent} who have not answered`
            }
          />
        )}
        {choices.length > 0 && results !== null && <CutBy choices={choices.map(({ id, label }) => ({ id, label }))} />}
      </div>
      {results === null ? (
        <Empty title={`Answers are shown from ${fewestTogether} on.`}>
          They are kept without names: of fewer people each would be somebody’s own.
        </Empty>
      ) : groups.length > 0 ? (
        groups.map((group) => (
          <section key={group.label} className="mb-6">
            <h2 className="mb-2 border-b border-ink text-head font-semibold">
              <bdi>{group.label || "The others together"}</bdi> <span className="mono text-ink-2">{group.n}</span>
            </h2>
            <SurveyQuestions results={group.results} />
          </section>
        ))
      ) : (
        <SurveyQuestions results={results} />
      )}
    </section>
  );
}

export default async function SurveyOfDatePage(props: ReportParams & { searchParams: Promise<{ by?: string }> }) {
  const { context, member, spine, id, date, base, mayRead } = await reportPage(props);
  const { by } = await props.searchParams;
  const found = await surveyResults(context, member, id, date, by ?? null);
  const { survey } = found;
  return (
    <>
      <TeamBar signOut={signOutAction} />
      <Workspace spine={{ ...spine, findings: [] }} place="afterwards">
        <AfterNav base={base} place="survey" />
        <Answers
          found={found}
          folder={`/events/${id}/dates/${date}`}
          remind={mayRead("event.mailings") ? remindOfSurveyAction.bind(null, id, date) : null}
        />
        {mayRead("survey.edit") ? (
          <section>
            <h2 className="text-head font-semibold">What is asked after each date</h2>
            <p className="mb-2 text-ink-2">
              Everybody’s own link to it stands on their ticket, in the room as the hour ends, beside the recording, and
              in mails where you put the field <span className="mono">{"{{survey_link}}"}</span>.
            </p>
            <SurveyEditor
              survey={
                survey
                  ? { ...survey, questions: survey.questions.map((q) => ({ ...q, options: [...q.options] })) }
                  : freshSurvey
              }
              version={survey?.version ?? 0}
              isAnswered={found.answered > 0}
              save={saveSurveyAction.bind(null, id)}
            />
          </section>
        ) : (
          !survey && <Empty title="This event has no survey." />
        )}
      </Workspace>
    </>
  );
}
