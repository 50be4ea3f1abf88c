import { z } from "zod";
import { follower } from "../../../../../server/live";
import { Refusal } from "../../../../../server/refusal";
import { unitOfJob } from "../../../../../server/units";
import { answerError, knock } from "../../../answer";
import { say } from "#words/app/api/jobs/id/live";

export const dynamic = "force-dynamic";

/** A sign of life for whatever stands between, milliseconds. */
const ALIVE_EVERY = 15_000;
/** How soon a page that lost the stream asks for it again, milliseconds. */
const RETRY = 1000;

/**
 * The entries of a job as they are written, each a message named by its sequence number; a stream that was lost goes
 * on after the last.
 */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  try {
    knock(request);
    const { id } = await params;
    if (!z.uuid().safeParse(id).success) throw new Refusal(404, say.thereIsNoSuchJob);
    const asked = request.headers.get("last-event-id") ?? new URL(request.url).searchParams.get("after") ?? "0";
    const after = Number(asked);
    if (!Number.isInteger(after) || after < 0) throw new Refusal(400, say.afterMustBeASequence);
    await unitOfJob(id);
    return new Response(streamOf(id, after, request.signal), {
      headers: {
        "content-type": "text/event-stream; charset=utf-8",
        // Held back or packed together by nobody.
        "cache-control": "no-store, no-transform",
        "x-accel-buffering": "no",
        "x-content-type-options": "nosniff",
      },
    });
  } catch (error) {
    return answerError(error);
  }
}

function streamOf(job: string, after: number, signal: AbortSignal): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let stop: () => void = () => {};
  return new ReadableStream({
    start(controller) {
      const send = (text: string) => controller.enqueue(encoder.encode(text));
      let ended = false;
      const end = () => {
        if (ended) return;
        ended = true;
        stop();
        controller.close();
      };
      send(`retry: ${RETRY}\n\n`);
      const leave = follower().follow(
        job,
        after,
        (entries) => {
          for (const entry of entries) send(say.idSeqDataStringify(entry.seq, JSON.stringify(entry)));
        },
        end,
      );
      const alive = setInterval(() => send(": \n\n"), ALIVE_EVERY);
      stop = () => {
        clearInterval(alive);
        leave();
      };
      signal.addEventListener("abort", end);
    },
    cancel() {
      stop();
    },
  });
}
