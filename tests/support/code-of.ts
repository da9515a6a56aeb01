/** The code with which an act is refused; "done" where it is not, a defect by its own words. */
export const codeOf = (act: Promise<unknown>): Promise<string> =>
  act.then(
    () => "done",
    (error: { failure?: { code: string } }) => error.failure?.code ?? String(error),
  );
