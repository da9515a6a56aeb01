import { slidesUpload } from "../../../../_lib/slides-upload";
import { answer, requireOwnOrigin } from "../../../../_lib/request";

/** Slides in pieces that may break off and go on (tus 1.0.0): by the team, or by a panelist with their own link. */
const handle = (request: Request): Promise<Response> =>
  answer(async () => {
    requireOwnOrigin(request);
    return (await slidesUpload()).handleWeb(request);
  });

export { handle as DELETE, handle as HEAD, handle as OPTIONS, handle as PATCH, handle as POST };
