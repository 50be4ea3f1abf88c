"use client";

import { useEffect, useState } from "react";
import { PlainPage } from "../ui/shell/PlainPage";
import { say } from "#words/app";

/** Tells a lost database from a fault of ours, as far as the health of the server says. */
export default function ErrorPage({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const [lost, setLost] = useState<boolean | null>(null);
  useEffect(() => {
    fetch("/api/health").then(
      (r) => setLost(!r.ok),
      () => setLost(true),
    );
  }, []);
  const mark = error.digest ? say.itStandsInTheLog(error.digest) : "";
  return (
    <PlainPage
      title={lost === true ? say.theDatabaseDoesNotAnswer : say.thisDidNotWork}
      sentence={lost === false ? say.thePageCouldNotBe(mark) : say.thePageCouldNotBeMade}
      retry={reset}
    />
  );
}
