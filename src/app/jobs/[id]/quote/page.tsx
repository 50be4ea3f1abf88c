import { notFound } from "next/navigation";
import { dayAfter, quotePaper } from "../../../../server/papers";
import { Refusal } from "../../../../server/refusal";
import { QuoteScreen } from "../../../../ui/paper/QuoteScreen";

export const dynamic = "force-dynamic";

/** Days that an offer holds unless somebody says otherwise. */
const HOLDS = 30;

export default async function Page({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ assembly?: string; fault?: string }>;
}) {
  const [{ id }, { assembly = "", fault }] = await Promise.all([params, searchParams]);
  const paper = await quotePaper(id, assembly, fault ?? null).catch((error: unknown) => {
    if (error instanceof Refusal && error.status === 404) notFound();
    throw error;
  });
  return <QuoteScreen paper={paper} until={dayAfter(new Date().toISOString(), HOLDS)} />;
}
