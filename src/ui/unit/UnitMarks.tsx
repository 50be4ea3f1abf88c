import Link from "next/link";
import type { UnitRecord } from "../../contract/units";

/** What anyone who opens a job on a unit must know of it first. */
export function UnitMarks({ unit }: { unit: UnitRecord }) {
  return (
    <>
      {unit.modifications.length > 0 ? (
        <Link className="modified-mark" href={`/units/${unit.id}`}>
          <i className="bi bi-exclamation-diamond-fill" aria-hidden /> modified
        </Link>
      ) : null}
      {unit.temporary.length > 0 ? (
        <Link className="modified-mark" href={`/units/${unit.id}`}>
          <i className="bi bi-bandaid-fill" aria-hidden /> temporary repair
        </Link>
      ) : null}
    </>
  );
}
