import { keepPhoto, MOST_PHOTO_BYTES } from "../../../server/photos";
import { Refusal } from "../../../server/refusal";
import { answer } from "../answer";

export const dynamic = "force-dynamic";

export function POST(request: Request) {
  return answer(async () => {
    if (Number(request.headers.get("content-length") ?? 0) > MOST_PHOTO_BYTES)
      throw new Refusal(413, "The photo is larger than 4 MB. Nothing was kept.");
    return { hash: await keepPhoto(new Uint8Array(await request.arrayBuffer())) };
  });
}
