import { z } from "zod";
import { changeSchema } from "../../../../../core/machine/variant";
import { proofOfChange } from "../../../../../server/isolation";
import { answer, jsonBody } from "../../../answer";

export const dynamic = "force-dynamic";

const schema = z.strictObject({ changes: z.array(changeSchema).min(1).max(10) });

/** Proves a change to this unit's circuit; builds and keeps nothing. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => {
    const [{ id }, body] = await Promise.all([params, jsonBody(request)]);
    return { proof: await proofOfChange(id, schema.parse(body).changes) };
  });
}
