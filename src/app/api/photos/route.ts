import { keepPhoto, MOST_PHOTO_BYTES } from "../../../server/photos";
import { answer, bodyBytes } from "../answer";

export const dynamic = "force-dynamic";

export function POST(request: Request) {
  return answer(
    request,
    async () => ({ hash: await keepPhoto(await bodyBytes(request, MOST_PHOTO_BYTES), new Date()) }),
    "picture",
  );
}
