"use client";

/** Shown where even the frame of the pages could not be made; it must do without anything of ours. */
export default function GlobalError({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  return (
    <html lang="en">
      <body>
        <main>
          <h1>Unzo stopped here</h1>
          <p>The page could not be made. Nothing was changed and nothing is lost.</p>
          {error.digest ? <p>Mark in the log: {error.digest}</p> : null}
          <p>
            <button type="button" onClick={reset}>
              Try again
            </button>
          </p>
        </main>
      </body>
    </html>
  );
}
