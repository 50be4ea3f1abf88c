"use client";

import { useEffect, useState } from "react";
import { PlainPage } from "../ui/shell/PlainPage";

/** Tells a lost database from a fault of ours, as far as the health of the server says. */
export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const [lost, setLost] = useState<boolean | null>(null);
  useEffect(() => {
    fetch("/api/health").then(
      (r) => setLost(!r.ok),
      () => setLost(true),
    );
  }, []);
  const mark = error.digest ? ` It stands in the log under ${error.digest}.` : "";
  return (
    <PlainPage
      title={lost === true ? "The database does not answer" : "This did not work"}
      sentence={
        lost === false
          ? "The page could not be made, though the database answers: a fault of Unzo's own. Nothing was " +
            `changed and nothing is lost.${mark}`
          : "The page could not be made. Nothing was changed and nothing is lost; try again in a moment."
      }
      retry={reset}
    />
  );
}
