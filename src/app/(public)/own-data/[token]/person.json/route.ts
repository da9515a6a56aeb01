import { app } from "@/server/compose";
import { personFile } from "@/server/services/people/contacts/person-file";
import { takeOwnFile } from "@/server/services/way-in/own-file";
import { answer, requireOwnOrigin } from "../../../../_lib/request";
import { personFileAnswer } from "../../../../_lib/person-file-answer";

/** Everything that is kept of whoever has the link from the mail: once. */
export const POST = (request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> =>
  answer(async () => {
    requireOwnOrigin(request);
    const { context } = await app();
    const owner = await takeOwnFile(context, (await params).token);
    return personFileAnswer(await personFile(context, owner, "the person"));
  });
