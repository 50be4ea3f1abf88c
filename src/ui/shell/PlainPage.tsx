"use client";

import Link from "next/link";
import { PageTitle } from "./PageTitle";
import Button from "react-bootstrap/Button";
import { say } from "#words/ui/shell";

/** A page that says one thing and shows the way back. */
export function PlainPage({ title, sentence, retry }: { title: string; sentence: string; retry?: () => void }) {
  return (
    <main id="main" tabIndex={-1} className="plain-page">
      <PageTitle of={title} />
      <h1>{title}</h1>
      <p>{sentence}</p>
      <p className="d-flex gap-3">
        {retry ? (
          <Button variant="primary" onClick={retry}>
            {say.tryAgain}
          </Button>
        ) : null}
        <Link className="btn btn-outline-dark" href="/">
          {say.allJobs}
        </Link>
      </p>
    </main>
  );
}
