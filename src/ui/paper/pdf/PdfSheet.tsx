import { Document, Page, StyleSheet, Text, View } from "@react-pdf/renderer";
import type { ReactNode } from "react";
import type { PaperHead } from "../../../contract/paper";
import { dateWithYear } from "../../shell/time";
import { inked, PAPER_FONTS } from "./fonts";
import { say } from "#words/ui/paper";

/** Ink on paper, in points. */
export const style = StyleSheet.create({
  page: { padding: 44, paddingBottom: 56, fontFamily: PAPER_FONTS, fontSize: 10.5, color: "#14242b" },
  title: { fontSize: 18, fontWeight: 700, marginTop: 10, marginBottom: 8 },
  head: { fontSize: 10, borderBottomWidth: 1, borderBottomColor: "#14242b", paddingBottom: 6 },
  strong: { fontWeight: 700 },
  section: { marginTop: 10 },
  h2: { fontSize: 12.5, fontWeight: 700, marginBottom: 2 },
  // Not for the whole page: numbers of pages are then left out.
  line: { lineHeight: 1.35 },
  quiet: { color: "#46565c" },
  row: { flexDirection: "row", borderBottomWidth: 0.5, borderBottomColor: "#b9c4c2", paddingVertical: 3 },
  foot: {
    position: "absolute",
    left: 44,
    right: 44,
    bottom: 26,
    flexDirection: "row",
    justifyContent: "space-between",
    fontSize: 8.5,
    color: "#46565c",
  },
  unsafe: { marginTop: 10, padding: 8, borderWidth: 2, borderColor: "#14242b", fontWeight: 700 },
});

/** A document of one kind of paper, with its pages. */
export function PdfDocument({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <Document title={title} creator="Unzo" producer="Unzo" language="en">
      {children}
    </Document>
  );
}

/** A page with the head of its paper and its number. */
export function PdfPage(props: { readonly head: PaperHead; readonly title: string; readonly children: ReactNode }) {
  const { head, title, children } = props;
  return (
    <Page size="A4" style={style.page}>
      <View style={style.foot} fixed>
        <Text>
          {say.job} {head.job.slice(0, 8)}
        </Text>
        <Text render={({ pageNumber, totalPages }) => say.page(pageNumber, totalPages)} />
      </View>
      {head.letterhead ? (
        <Text style={style.head}>
          <Text style={style.strong}>{inked(head.letterhead.name)}</Text> {inked(head.letterhead.contact)}
        </Text>
      ) : null}
      <Text style={style.title}>{title}</Text>
      <Fact name={say.machine} words={`${head.machine}, ${serialWords(head)}`} />
      <Fact name={say.site} words={head.site} />
      <Fact name={say.date} words={`${dateWithYear(head.at)}, ${head.by}`} />
      {children}
    </Page>
  );
}

const serialWords = ({ serial }: PaperHead) =>
  serial === null ? say.noSerial : `${say.serial.toLowerCase()} ${serial}`;

/** A name and what it is. */
export function Fact({ name, words }: { readonly name: string; readonly words: string }) {
  return (
    <View style={{ flexDirection: "row" }}>
      <Text style={[style.quiet, { width: 90 }]}>{name}</Text>
      <Text style={[style.line, { flex: 1 }]}>{inked(words)}</Text>
    </View>
  );
}

/** A question and the sentences that answer it. */
export function Lines({ title, lines }: { readonly title: string; readonly lines: readonly string[] }) {
  return (
    <View style={style.section} wrap={false}>
      <Text style={style.h2}>{title}</Text>
      {lines.map((line) => (
        <Text key={line} style={style.line}>
          {inked(line)}
        </Text>
      ))}
    </View>
  );
}

/** A line of a table: its cells by their shares of the width. */
export function Row({ cells, shares, isHead }: { cells: readonly string[]; shares: readonly number[]; isHead?: true }) {
  return (
    <View style={style.row} wrap={false}>
      {cells.map((cell, i) => (
        <Text key={i} style={[{ flex: shares[i]!, paddingRight: 6 }, ...(isHead ? [style.strong] : [])]}>
          {inked(cell)}
        </Text>
      ))}
    </View>
  );
}
