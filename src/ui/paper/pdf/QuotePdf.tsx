import { Text, View } from "@react-pdf/renderer";
import type { QuotedOption, QuotePaper } from "../../../contract/paper";
import { dateWithYear } from "../../shell/time";
import { chanceWords } from "../price-words";
import { inked } from "./fonts";
import { Lines, PdfDocument, PdfPage, style } from "./PdfSheet";
import { say } from "#words/ui/paper";

interface Props {
  readonly paper: QuotePaper;
  readonly options: readonly QuotedOption[];
  /** Until when the prices hold; null: not said yet. */
  readonly until: string | null;
  money(amount: number): string;
}

/** What is offered before a repair. */
export function QuotePdf({ paper, options, until, money }: Props) {
  return (
    <PdfDocument title={`${say.offerFor}: ${paper.head.machine}`}>
      <PdfPage head={paper.head} title={say.offerFor}>
        <Lines title={say.believed} lines={[paper.wrong, say.believedNote]} />
        <View style={style.section}>
          <Text style={style.h2}>{say.offer}</Text>
          <Text>{say.offerSays}</Text>
          {options.map((o) => (
            <View key={o.option} style={style.row} wrap={false}>
              <View style={{ flex: 5, paddingRight: 8 }}>
                <Text style={style.strong}>{inked(o.words)}</Text>
                <Text style={style.quiet}>{inked(o.means)}</Text>
              </View>
              <Text style={{ flex: 2.2, paddingRight: 8 }}>{chanceWords(o)}</Text>
              <Text style={[style.strong, { flex: 1, textAlign: "right" }]}>{money(o.price)}</Text>
            </View>
          ))}
          {until === null ? null : <Text style={{ marginTop: 6 }}>{say.holdsUntil(dateWithYear(until))}</Text>}
        </View>
        <Text style={[style.section, style.quiet]}>{say.licensed}</Text>
      </PdfPage>
    </PdfDocument>
  );
}
