/** One question of the registration form. */
export const fieldKinds = ["short", "long", "choice", "several", "number", "country", "consent", "hidden"] as const;
export type FieldKind = (typeof fieldKinds)[number];

export interface FormField {
  readonly id: string;
  readonly label: string;
  readonly kind: FieldKind;
  readonly isRequired: boolean;
  readonly options: readonly string[];
  /** where the words that are agreed to stand; the fixed value of a hidden field */
  readonly link?: string;
  /** shown only where another question was answered so */
  readonly shownIf?: { readonly fieldId: string; readonly answer: string } | null;
}

export type AnswerIssue = {
  readonly fieldId: string;
  readonly reason: "needed" | "not-offered" | "not-a-number" | "unknown-country" | "too-long";
};

/** Several answers travel as one text, a line each. */
export const severalOf = (answer: string): string[] =>
  answer
    .split("\n")
    .map((one) => one.trim())
    .filter(Boolean);

/** Whether a question is asked, given what was answered before it. A condition on a question that is not asked is not met. */
export function isShown(
  field: FormField,
  fields: readonly FormField[],
  answers: Readonly<Record<string, string>>,
  depth = 0,
): boolean {
  const condition = field.shownIf;
  if (!condition || depth > fields.length) return !condition;
  const other = fields.find((one) => one.id === condition.fieldId);
  if (!other || !isShown(other, fields, answers, depth + 1)) return false;
  const given = answers[other.id] ?? "";
  return other.kind === "several" ? severalOf(given).includes(condition.answer) : given.trim() === condition.answer;
}

/** The questions that another may depend on: those of choice that are asked before it. */
export const canDependOn = <F extends Pick<FormField, "id" | "kind">>(fields: readonly F[], id: string): F[] =>
  fields
    .slice(
      0,
      Math.max(
        0,
        fields.findIndex((one) => one.id === id),
      ),
    )
    .filter(({ kind }) => kind === "choice" || kind === "several" || kind === "consent");

/** Places of questions that depend on one that is asked after them, or on none that is there. */
export const dependingOnLater = (fields: readonly FormField[]): readonly number[] =>
  fields.flatMap(({ id, shownIf }, i) =>
    !shownIf || canDependOn(fields, id).some((one) => one.id === shownIf.fieldId) ? [] : [i],
  );

function faultOf(field: FormField, answer: string): AnswerIssue["reason"] | null {
  if (answer === "") return field.isRequired ? "needed" : null;
  if (answer.length > 2000) return "too-long";
  if (field.kind === "choice" && !field.options.includes(answer)) return "not-offered";
  if (field.kind === "several" && severalOf(answer).some((one) => !field.options.includes(one))) return "not-offered";
  if (field.kind === "number" && !/^[+-]?\d{1,15}([.,]\d{1,10})?$/.test(answer)) return "not-a-number";
  if (field.kind === "country" && !/^[A-Z]{2}$/.test(answer)) return "unknown-country";
  if (field.kind === "consent" && answer !== "yes") return "not-offered";
  return null;
}

/**
 * Answers against the form: those of questions that were not asked are dropped, a hidden field keeps its
 * own value whatever was sent, and what is wrong is named by its question.
 */
export function checkAnswers(
  fields: readonly FormField[],
  answers: Readonly<Record<string, string>>,
): { kept: Record<string, string>; issues: readonly AnswerIssue[] } {
  const kept: Record<string, string> = {};
  const issues: AnswerIssue[] = [];
  for (const field of fields) {
    if (field.kind === "hidden") {
      if (field.link) kept[field.id] = field.link;
      continue;
    }
    if (!isShown(field, fields, answers)) continue;
    const answer = (answers[field.id] ?? "").trim();
    const reason = faultOf(field, answer);
    if (reason) issues.push({ fieldId: field.id, reason });
    else if (answer !== "") kept[field.id] = answer;
  }
  return { kept, issues };
}
