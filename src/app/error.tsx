"use client";

import { PlainPage } from "../ui/shell/PlainPage";

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <PlainPage
      title="This did not work"
      sentence="The page could not be made; perhaps the database does not answer. Nothing was changed and nothing is lost."
      retry={reset}
    />
  );
}
