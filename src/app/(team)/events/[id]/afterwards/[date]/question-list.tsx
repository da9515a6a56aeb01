import { AnswerByMail } from "@/features/afterwards/answer-by-mail";
import { AskedAt } from "@/features/afterwards/asked-at";
import type { Afterwards } from "@/server/services/afterwards/summary";
import { answerByMailAction } from "../../actions";

/** What was asked, in the hour and on demand; what is not answered yet is answered from here. */
export function QuestionList({
  file,
  questions,
  isOver,
  mayAnswer,
  id,
  date,
}: {
  file: (name: string) => string;
  questions: Afterwards["questions"];
  isOver: boolean;
  mayAnswer: boolean;
  id: string;
  date: string;
}) {
  return (
    <section className="mt-6">
      <h2 className="text-head font-semibold">Questions</h2>
      <p className="text-ink-2">
        <a href={file("questions")}>questions.csv</a> · <a href={file("chat")}>chat.csv</a>
      </p>
      {questions.length === 0 && <p className="mt-2 text-ink-2">No question was asked.</p>}
      <ul className="mt-1">
        {questions.slice(0, 60).map((question) => (
          <li key={question.id} className="grid grid-cols-[3rem_1fr_8rem] gap-3 border-t border-rule py-1.5">
            <span className="mono">{question.votes}</span>
            <div className="min-w-0">
              <p dir="auto" className="break-words">
                {question.text}
              </p>
              {question.recordingSeconds !== null && <AskedAt seconds={question.recordingSeconds} />}
              {question.answer && (
                <p className="mt-1 border-l-2 border-action pl-2 break-words" dir="auto">
                  {question.answer}
                </p>
              )}
              {isOver && mayAnswer && (question.state === "later" || question.state === "new") && (
                <AnswerByMail send={answerByMailAction.bind(null, id, date, question.id)} />
              )}
            </div>
            <span className="text-ink-2">{question.state.replace("-", " ")}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
