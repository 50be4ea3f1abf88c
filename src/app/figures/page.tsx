import { figuresSchema } from "../../contract/figures";
import { shopSees } from "../../server/figures";
import { findFilters } from "../../server/find";
import { FiguresScreen } from "../../ui/figures/FiguresScreen";

export const dynamic = "force-dynamic";

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const asked = figuresSchema.parse(await searchParams);
  const [sees, filters] = await Promise.all([shopSees(asked, new Date()), findFilters()]);
  return <FiguresScreen asked={asked} sees={sees} filters={filters} />;
}
