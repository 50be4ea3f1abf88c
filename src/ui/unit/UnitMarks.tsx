"use client";

import Link from "next/link";
import type { UnitRecord } from "../../contract/units";
import { use } from "react";
import { say } from "#words/ui/unit";

/** What anyone who opens a job on a unit must know of it first. */
export function UnitMarks({ unit: coming }: { unit: Promise<UnitRecord> }) {
  const unit = use(coming);
  return (
    <>
      {unit.unsafe ? (
        <Link className="modified-mark" href={`/jobs/${unit.unsafe.job}/record`} title={unit.unsafe.reason}>
          <i className="bi bi-x-octagon-fill" aria-hidden /> {say.unsafeTag(unit.unsafe.tag)}
        </Link>
      ) : null}
      {unit.modifications.length > 0 ? (
        <Link className="modified-mark" href={`/units/${unit.id}`}>
          <i className="bi bi-exclamation-diamond-fill" aria-hidden /> {say.modified}
        </Link>
      ) : null}
      {unit.temporary.length > 0 ? (
        <Link className="modified-mark" href={`/units/${unit.id}`}>
          <i className="bi bi-bandaid-fill" aria-hidden /> {say.temporaryRepair}
        </Link>
      ) : null}
    </>
  );
}
