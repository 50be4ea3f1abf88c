"use client";

import Link from "next/link";
import Button from "react-bootstrap/Button";
import { say } from "#words/ui/paper";

interface Props {
  /** Where one came from, and what that is called. */
  readonly back: string;
  readonly backWords: string;
  /** Where the PDF is; null while it would show something else than the screen. */
  readonly pdf: string | null;
}

/** The keys over a paper: back, as a PDF, print. */
export function PaperNav({ back, backWords, pdf }: Props) {
  const words = (
    <>
      <i className="bi bi-filetype-pdf" aria-hidden /> {say.pdf}
    </>
  );
  return (
    <nav className="record-bar d-print-none">
      <Link className="btn btn-outline-dark" href={back}>
        {backWords}
      </Link>
      {pdf === null ? (
        <Button variant="outline-dark" disabled title={say.keepFirst}>
          {words}
        </Button>
      ) : (
        <a className="btn btn-outline-dark" href={pdf}>
          {words}
        </a>
      )}
      <Button onClick={() => window.print()}>
        <i className="bi bi-printer" aria-hidden /> {say.print}
      </Button>
    </nav>
  );
}
