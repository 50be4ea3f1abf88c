// Another process on the same database: reads entries from its parent, writes them, says what came of each.
import { appendEvent } from "../../src/server/journal";
import { closeDatabase } from "../../src/server/db";
import type { NewEvent } from "../../src/core/journal/events";

process.on("message", (asked: { job: string; event: NewEvent } | "end") => {
  if (asked === "end") return void closeDatabase().then(() => process.exit(0));
  appendEvent(asked.job, asked.event, new Date("2026-11-24T09:00:00.000Z")).then(
    ({ seq }) => process.send!({ seq }),
    (error: Error & { status?: number }) => process.send!({ status: error.status ?? 500, error: error.message }),
  );
});
process.send!("ready");
