import { calendar } from "../../../server/calendar";
import { answerError, knock } from "../answer";

export const dynamic = "force-dynamic";

/** What is due, as a calendar: to be kept as a file, or read again and again by a program on this machine. */
export async function GET(request: Request): Promise<Response> {
  try {
    knock(request);
    const host = request.headers.get("host") ?? "127.0.0.1";
    const text = await calendar(new Date(), `http://${host}`);
    return new Response(text, {
      headers: {
        "content-type": "text/calendar; charset=utf-8",
        "content-disposition": 'inline; filename="unzo.ics"',
        "cache-control": "no-store",
        "x-content-type-options": "nosniff",
      },
    });
  } catch (error) {
    return answerError(error);
  }
}
