import type { Instrumentation } from "next";

/** What goes wrong while a page is made is logged with the mark that the page shows for it. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, context) => {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { log } = await import("./log");
  log().error(
    {
      err: error,
      mark: (error as { digest?: string }).digest,
      path: request.path.split("?")[0],
      route: context.routePath,
      request: request.headers["x-request-id"],
    },
    "A page could not be made",
  );
};
