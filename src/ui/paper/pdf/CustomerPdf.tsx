import { Image, Text, View } from "@react-pdf/renderer";
import type { CustomerPaper } from "../../../contract/paper";
import { clockTime, dateWithYear } from "../../shell/time";
import { priceWords } from "../price-words";
import { inked } from "./fonts";
import { Fact, Lines, PdfDocument, PdfPage, Row, style } from "./PdfSheet";
import { VERDICT_WORDS } from "#words/job";
import { say } from "#words/ui/paper";

interface Props {
  readonly paper: CustomerPaper;
  /** Photos by their hash, as data; one that is not there is left out. */
  readonly photos: ReadonlyMap<string, { readonly data: Buffer; readonly format: "png" | "jpg" }>;
  money(amount: number): string;
}

const SAFETY = [5, 2, 3, 2];
const RECORD = [1.2, 5, 2, 3, 2];

/** The customer's page, the safety test in numbers, and the technician's record behind them. */
export function CustomerPdf({ paper: { head, page, record }, photos, money }: Props) {
  const shown = page.photos.flatMap((p) => {
    const photo = photos.get(p.hash);
    return photo ? [{ ...p, ...photo }] : [];
  });
  return (
    <PdfDocument title={`${say.repairReport}: ${head.machine}`}>
      <PdfPage head={head} title={say.repairReport}>
        {page.unsafe ? <Text style={style.unsafe}>{inked(page.unsafe)}</Text> : null}
        <Lines title={say.wrong} lines={page.wrong} />
        <Lines title={say.done} lines={page.done} />
        <Lines title={say.proven} lines={page.proven} />
        <Lines title={say.watch} lines={[...page.watch, ...(page.words === "" ? [] : [page.words])]} />
        <View style={style.section}>
          <Fact name={say.price} words={priceWords(page, money)} />
          <Fact
            name={say.nextDate}
            words={page.next ? `${dateWithYear(page.next.on)}. ${page.next.words}` : say.noNext}
          />
        </View>
        <View style={[style.section, { flexDirection: "row", flexWrap: "wrap", gap: 10 }]}>
          {shown.map(({ hash, caption, data, format }) => (
            <View key={hash} style={{ width: 240 }} wrap={false}>
              {/* eslint-disable-next-line jsx-a11y/alt-text -- a picture on paper; its caption stands beneath */}
              <Image src={{ data, format }} style={{ width: 240, maxHeight: 180, objectFit: "contain" }} />
              <Text style={style.quiet}>{inked(caption)}</Text>
            </View>
          ))}
        </View>
        <Text style={[style.section, style.quiet]}>{say.licensed}</Text>
      </PdfPage>
      {page.safety ? (
        <PdfPage head={head} title={say.safetyInNumbers}>
          <View style={style.section}>
            <Row isHead cells={[say.measured, say.value, say.limit, say.result]} shares={SAFETY} />
            {page.safety.rows.map((row) => (
              <Row
                key={row.words}
                cells={[row.words, row.value, row.limit, row.passed ? say.passed : say.failed]}
                shares={SAFETY}
              />
            ))}
          </View>
          <Text style={style.section}>
            {page.safety.tester
              ? inked(say.testerIs(page.safety.tester.name, dateWithYear(page.safety.tester.calibrated)))
              : say.testerUnknown}
          </Text>
          <Text>
            {inked(say.measuredBy(page.safety.by, `${dateWithYear(page.safety.at)}, ${clockTime(page.safety.at)}`))}
          </Text>
        </PdfPage>
      ) : null}
      {record.length > 0 ? (
        <PdfPage head={head} title={say.technicians}>
          <View style={style.section}>
            <Row isHead cells={["", say.test, say.reading, say.expected, say.result]} shares={RECORD} />
            {record.map((r, i) => (
              <Row
                key={i}
                cells={[clockTime(r.at), r.test, r.shown, r.expected, VERDICT_WORDS[r.verdict]]}
                shares={RECORD}
              />
            ))}
          </View>
        </PdfPage>
      ) : null}
    </PdfDocument>
  );
}
