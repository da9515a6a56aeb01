import { notFound } from "@/server/services/ground/context";
import { app } from "@/server/compose";
import { holderOf } from "@/server/services/way-in/tickets";
import { orNotFound } from "../../../_lib/request";
import EnterPage, { generateMetadata } from "../../enter/[token]/page";

export { generateMetadata };

/** A recording that is watched together: the way in is a ticket's own; any other date's link leads nowhere here. */
export default async function ScreeningPage(props: Parameters<typeof EnterPage>[0]) {
  const { token } = await props.params;
  const { context } = await app();
  await orNotFound(async () => {
    const { occurrence } = await holderOf(context, token);
    if (occurrence.screeningOf === null) throw notFound("date");
  });
  return <EnterPage {...props} />;
}
