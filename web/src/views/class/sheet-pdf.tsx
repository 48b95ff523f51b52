import { Document, Page, StyleSheet, Text, View, pdf } from '@react-pdf/renderer';
import { capital, say, tell } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { answerNumber, drillQuestion, lookedWords, truthWords } from '@rough-bight/core/words';
import type { Drill } from '@rough-bight/core/drill';
import type { ReactElement } from 'react';
import { FACE, PdfPicture, day } from '../../parts/pdf-picture.js';
import type { AskedDrill } from '../../workers/drill.worker.js';

const S = StyleSheet.create({
  page: { padding: 40, fontFamily: FACE, fontSize: 10, color: day('ink'), lineHeight: 1.35 },
  title: { fontSize: 20, fontWeight: 700, lineHeight: 1.15 },
  quiet: { color: day('ink2') },
  drill: { marginTop: 12, paddingTop: 8, borderTopWidth: 0.8, borderTopColor: day('ink') },
  question: { fontWeight: 700, fontSize: 11 },
  guess: { marginTop: 8, flexDirection: 'row', gap: 24 },
  answer: {
    flexDirection: 'row',
    gap: 10,
    paddingVertical: 4,
    borderBottomWidth: 0.4,
    borderBottomColor: day('hairline'),
  },
});

/** What is true, as it stands on the page of answers. */
function answerOf(drill: Drill, units: UnitChoice): string {
  const { asked } = drill;
  const more = tell(truthWords(drill), units);
  switch (asked.form) {
    case 'number':
      return [answerNumber(asked, asked.truth, units), more].filter(Boolean).join('. ');
    case 'choice':
      return [capital(asked.options.find((o) => o.id === asked.truth)!.name), more].join('. ');
    case 'place': {
      const [dx, dy] = [asked.truth[0] - asked.from[0], asked.truth[1] - asked.from[1]];
      return `${say(Math.hypot(dx, dy), 'length', units)} out. ${more}`;
    }
  }
}

function Question({
  drill,
  name,
  k,
  units,
}: AskedDrill & { readonly k: number; readonly units: UnitChoice }): ReactElement {
  const { asked } = drill;
  return (
    <View style={S.drill} wrap={false}>
      <Text style={S.question}>
        {k}. {tell(drillQuestion(drill), units)}
      </Text>
      <Text style={S.quiet}>{name}, changed for the question.</Text>
      <PdfPicture
        picture={drill.shown.picture}
        width={300}
        height={(300 * drill.shown.picture.height) / drill.shown.picture.width}
      />
      {drill.kind === 'fault' &&
        drill.facts.seen.map((s, i) => {
          const { what, how } = lookedWords(s);
          return (
            <Text key={i}>
              {what}: {tell(how, units)}
            </Text>
          );
        })}
      {asked.form === 'choice' && asked.options.map((o) => <Text key={o.id}>[ ] {capital(o.name)}</Text>)}
      <View style={S.guess}>
        <Text>My guess: ______________</Text>
        <Text>How sure: ______ %</Text>
      </View>
    </View>
  );
}

/** Drills as A4 pages, their answers on the last. */
export const sheetPdf = async (camp: string, drills: readonly AskedDrill[], units: UnitChoice): Promise<Blob> =>
  pdf(
    <Document title={`Drills, ${camp}`} creator="Rough Bight">
      <Page size="A4" style={S.page}>
        <Text style={S.title}>Drills, {camp}</Text>
        <Text style={S.quiet}>Say it first, then see it. A good eye is no strength margin.</Text>
        {drills.map((d, i) => (
          <Question key={i} {...d} k={i + 1} units={units} />
        ))}
      </Page>
      <Page size="A4" style={S.page}>
        <Text style={S.title}>Answers</Text>
        <Text style={S.quiet}>Computed, not measured.</Text>
        {drills.map((d, i) => (
          <View key={i} style={S.answer} wrap={false}>
            <Text style={{ width: 18, fontWeight: 700 }}>{i + 1}</Text>
            <Text style={{ flex: 1 }}>{answerOf(d.drill, units)}</Text>
          </View>
        ))}
      </Page>
    </Document>,
  ).toBlob();
