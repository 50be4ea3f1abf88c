import { findSchema } from "../../contract/find";
import { findAnything, findFilters } from "../../server/find";
import { FindScreen } from "../../ui/find/FindScreen";

export const dynamic = "force-dynamic";

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const asked = findSchema.parse(await searchParams);
  const [found, filters] = await Promise.all([findAnything(asked), findFilters()]);
  return <FindScreen asked={asked} found={found} filters={filters} />;
}
