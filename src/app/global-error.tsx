"use client";

import { say } from "#words/app";

/** Shown where even the frame of the pages could not be made; it must do without anything of ours. */
export default function GlobalError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <main>
          <h1>{say.unzoStoppedHere}</h1>
          <p>{say.thePageCouldNotBeMadeNothing}</p>
          {error.digest ? <p>{say.markInTheLog(error.digest)}</p> : null}
          <p>
            <button type="button" onClick={reset}>
              {say.tryAgain}
            </button>
          </p>
        </main>
      </body>
    </html>
  );
}
