import { answer } from "../answer";

export const dynamic = "force-dynamic";

/** The application itself is there, whatever its database does: asked by whoever watches over it. */
export function GET(request: Request) {
  return answer(request, () => Promise.resolve({ ok: true }));
}
