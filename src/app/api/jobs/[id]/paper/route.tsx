import { renderToBuffer } from "@react-pdf/renderer";
import { paperSchema } from "../../../../../contract/paper";
import { NO_CURRENCY } from "../../../../../contract/shop";
import { customerPaper, quotePaper } from "../../../../../server/papers";
import { readPhoto } from "../../../../../server/photos";
import { shopRates } from "../../../../../server/shop";
import { CustomerPdf } from "../../../../../ui/paper/pdf/CustomerPdf";
import { registerFonts } from "../../../../../ui/paper/pdf/fonts";
import { QuotePdf } from "../../../../../ui/paper/pdf/QuotePdf";
import { moneyIn } from "../../../../../ui/shell/money";
import { answerError, fileAnswer, knock } from "../../../answer";

export const dynamic = "force-dynamic";

const FORMATS: Readonly<Record<string, "png" | "jpg">> = { "image/png": "png", "image/jpeg": "jpg" };

type Context = { params: Promise<{ id: string }> };

/** A paper of a job as a PDF: what was done, or, before a repair, what is offered. */
export async function GET(request: Request, { params }: Context): Promise<Response> {
  try {
    knock(request);
    const { id } = await params;
    const asked = new URL(request.url).searchParams;
    const { kind } = paperSchema.parse({ kind: asked.get("kind") ?? undefined });
    const money = moneyIn((await shopRates())?.currency ?? NO_CURRENCY);
    registerFonts();
    const pdf = await (kind === "quote" ? quotePdf(id, asked, money) : customerPdf(id, money));
    return fileAnswer(new Uint8Array(pdf), `unzo-${kind}-${id.slice(0, 8)}.pdf`, "application/pdf");
  } catch (error) {
    return answerError(error);
  }
}

async function customerPdf(id: string, money: (amount: number) => string): Promise<Buffer> {
  const paper = await customerPaper(id);
  const photos = new Map<string, { data: Buffer; format: "png" | "jpg" }>();
  for (const { hash } of paper.page.photos) {
    const { bytes, type } = await readPhoto(hash);
    // A paper takes these two only; another picture stays on the screen.
    const format = FORMATS[type];
    if (format) photos.set(hash, { data: Buffer.from(bytes), format });
  }
  return renderToBuffer(<CustomerPdf paper={paper} photos={photos} money={money} />);
}

/** What was handed out, as it was; or what could be, as long as nothing was. */
async function quotePdf(id: string, asked: URLSearchParams, money: (amount: number) => string): Promise<Buffer> {
  const paper = await quotePaper(id, asked.get("assembly") ?? "", asked.get("fault") || null);
  const { given } = paper;
  return renderToBuffer(
    <QuotePdf paper={paper} options={given?.options ?? paper.options} until={given?.until ?? null} money={money} />,
  );
}
