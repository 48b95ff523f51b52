import { Document, Page, Path, StyleSheet, Svg, Text, View, pdf } from '@react-pdf/renderer';
import { FOOT } from '@rough-bight/core/card';
import type { Card, Section } from '@rough-bight/core/card';
import { modulesPath } from '@rough-bight/core/picture';
import { capital } from '@rough-bight/core/quantity';
import type { ReactElement } from 'react';
import { FACE, PdfPicture, day } from '../../parts/pdf-picture.js';

/** Points on an A6 page: 298 by 420. */
const S = StyleSheet.create({
  page: { padding: 17, fontFamily: FACE, fontSize: 8.2, color: day('ink'), lineHeight: 1.3 },
  title: { fontSize: 15, fontWeight: 700, lineHeight: 1.15 },
  quiet: { color: day('ink2') },
  verdict: { fontSize: 10, fontWeight: 700, lineHeight: 1.25, marginVertical: 3 },
  head: { fontSize: 10, fontWeight: 700, borderTopWidth: 1, borderTopColor: day('ink'), marginTop: 6, paddingTop: 3 },
  row: {
    flexDirection: 'row',
    gap: 6,
    paddingVertical: 1.6,
    borderBottomWidth: 0.4,
    borderBottomColor: day('hairline'),
  },
  count: { width: 12, fontWeight: 700 },
  what: { flex: 1 },
  number: { fontWeight: 700, maxWidth: 132, textAlign: 'right' },
  foot: { flexDirection: 'row', gap: 10, alignItems: 'center', marginTop: 8 },
});

function Part({ section }: { readonly section: Section }): ReactElement {
  return (
    <View>
      <Text style={S.head} minPresenceAhead={40} wrap={false}>
        {section.title}
      </Text>
      {'lines' in section
        ? section.lines.map((l, i) => (
            <View key={i} style={S.row} wrap={false}>
              {section.kind === 'steps' && <Text style={S.count}>{i + 1}</Text>}
              <Text style={S.what}>{l.what}</Text>
              <Text style={S.number}>{l.number}</Text>
            </View>
          ))
        : section.words.map((w, i) => (
            <Text key={i} style={{ marginTop: 2 }}>
              {w}
            </Text>
          ))}
    </View>
  );
}

function CardPages({ card }: { readonly card: Card }): ReactElement {
  const side = card.modules.length;
  return (
    <Page size="A6" style={S.page}>
      <Text style={S.title}>{card.title}</Text>
      <Text style={S.quiet}>{card.about}</Text>
      <Text style={{ ...S.verdict, color: day(card.holds ? 'ink' : 'danger') }}>{card.verdict}</Text>
      <Text>{card.detail}</Text>
      {card.pictures.map((p) => (
        <PdfPicture key={p.of} picture={p.picture} width={190} height={108} />
      ))}
      {card.sections.map((section) => (
        <Part key={section.title} section={section} />
      ))}
      <View style={S.foot} wrap={false}>
        <Svg viewBox={`-2 -2 ${side + 4} ${side + 4}`} style={{ width: 74, height: 74 }}>
          <Path d={modulesPath(card.modules)} fill={day('ink')} />
        </Svg>
        <View style={{ flex: 1 }}>
          <Text>Found again as</Text>
          <Text style={{ fontSize: 15, fontWeight: 700, lineHeight: 1.3, letterSpacing: 1.5 }}>{card.code}</Text>
          <Text style={S.quiet}>{FOOT}</Text>
        </View>
      </View>
    </Page>
  );
}

/** Cards as A6 pages. */
export const cardPdf = async (title: string, cards: readonly Card[]): Promise<Blob> =>
  pdf(
    <Document title={capital(title)} creator="Rough Bight">
      {cards.map((card) => (
        <CardPages key={card.code} card={card} />
      ))}
    </Document>,
  ).toBlob();

/** A4 standing, pt. */
const A4 = [595.28, 841.89] as const;

/**
 * The same on A4, printed on one side and folded twice: backward across, then backward down the middle. Four pages a sheet: the
 * first at the lower right, the last at the lower left, the two inside at the top and upside down.
 */
export async function foldedPdf(title: string, cards: readonly Card[]): Promise<Blob> {
  const { PDFDocument, degrees } = await import('pdf-lib');
  const sheets = await PDFDocument.create();
  sheets.setTitle(title);
  const [width, height] = [A4[0] / 2, A4[1] / 2];
  const size = { width, height };
  // each card on sheets of its own: they are handed out
  for (const card of cards) {
    const small = await PDFDocument.load(await (await cardPdf(title, [card])).arrayBuffer());
    const all = await sheets.embedPdf(small, small.getPageIndices());
    for (let k = 0; k < all.length; k += 4) {
      const sheet = sheets.addPage([...A4]);
      const [first, second, third, fourth] = all.slice(k, k + 4);
      if (first !== undefined) sheet.drawPage(first, { x: width, y: 0, ...size });
      // turned about the corner that is then at the upper right of its quarter
      if (second !== undefined) sheet.drawPage(second, { x: 2 * width, y: 2 * height, rotate: degrees(180), ...size });
      if (third !== undefined) sheet.drawPage(third, { x: width, y: 2 * height, rotate: degrees(180), ...size });
      if (fourth !== undefined) sheet.drawPage(fourth, { x: 0, y: 0, ...size });
    }
  }
  return new Blob([(await sheets.save()) as Uint8Array<ArrayBuffer>], { type: 'application/pdf' });
}
