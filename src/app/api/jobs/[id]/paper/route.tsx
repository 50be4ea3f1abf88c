import { renderToBuffer } from "@react-pdf/renderer";
import { type PaperAsked, paperSchema } from "../../../../../contract/paper";
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
    const asked = paperSchema.parse(Object.fromEntries(new URL(request.url).searchParams));
    const { kind } = asked;
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

/** What is chosen for an offer; else what was handed out, as it was, or all that could be. */
async function quotePdf(id: string, asked: PaperAsked, money: (amount: number) => string): Promise<Buffer> {
  const paper = await quotePaper(id, asked.assembly, asked.fault || null);
  const { given } = paper;
  const chosen = paper.options.filter((o) => asked.only.includes(o.option));
  const options = chosen.length > 0 ? chosen : (given?.options ?? paper.options);
  const until = asked.until ?? given?.until ?? null;
  return renderToBuffer(<QuotePdf paper={paper} options={options} until={until} money={money} />);
}
