import Link from "next/link";
import type { UnitLife } from "../../contract/units";
import { photoAddress } from "../../contract/jobs";
import { shortDate } from "../shell/time";
import { say } from "#words/ui/unit";

/** The photos of all jobs of a unit, the newest first; each leads to the record of its job. */
export function UnitPhotos({ photos }: { photos: UnitLife["photos"] }) {
  if (photos.length === 0) return null;
  return (
    <section className="rig-sheet" aria-label={say.photos}>
      <h2>{say.photos}</h2>
      <ul className="unit-photos">
        {photos.map((p) => (
          <li key={`${p.job} ${p.hash}`}>
            <Link href={`/jobs/${p.job}/record`} prefetch={false}>
              <img src={photoAddress(p.hash)} alt={p.caption || say.photo} loading="lazy" />
              <span suppressHydrationWarning>
                {p.caption} <span className="quiet">{shortDate(p.at)}</span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
