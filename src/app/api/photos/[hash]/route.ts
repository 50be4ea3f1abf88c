import { readPhoto } from "../../../../server/photos";
import { answerError, knock } from "../../answer";

export const dynamic = "force-dynamic";

export async function GET(request: Request, { params }: { params: Promise<{ hash: string }> }) {
  try {
    knock(request);
    const { bytes, type } = await readPhoto((await params).hash);
    // Named by its content, so it never changes; and whatever it holds, it is a picture and nothing else.
    return new Response(bytes, {
      headers: {
        "content-type": type,
        "cache-control": "private, max-age=31536000, immutable",
        "x-content-type-options": "nosniff",
        "content-security-policy": "default-src 'none'",
      },
    });
  } catch (error) {
    return answerError(error);
  }
}
