import { escaped } from '../document/index.js';
import type { Card, CardLine, Section } from './card.js';
import { FOOT } from './card.js';
import type { Paper } from './paper.js';
import { DAY } from './paper.js';
import { modulesPath, pathsOf } from '../picture/index.js';

/** A6 standing up, mm (ISO 216), and its margin. */
const PAGE = { width: 105, height: 148, margin: 6 } as const;

/** Width of a letter over the size of its type, at most on average: no program that opens a file says what its letters measure. */
const LETTER = 0.56;
/** Words in lines that fit a width, mm. */
function wrapped(text: string, size: number, width: number): string[] {
  const most = Math.max(8, Math.floor(width / (LETTER * size)));
  const out: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    if (line !== '' && line.length + 1 + word.length > most) {
      out.push(line);
      line = word;
    } else line = line === '' ? word : `${line} ${word}`;
  }
  return line === '' ? out : [...out, line];
}

/** A page that is filled from the top; what does not fit goes on to the next. */
class Pages {
  readonly done: string[][] = [];
  private now: string[] = [];
  private y: number = PAGE.margin;

  constructor(private readonly ink: string) {}

  private room(height: number): void {
    if (this.y + height <= PAGE.height - PAGE.margin) return;
    this.close();
  }
  close(): void {
    if (this.now.length > 0) this.done.push(this.now);
    this.now = [];
    this.y = PAGE.margin;
  }
  words(text: string, size: number, more = '', indent = 0): void {
    for (const line of wrapped(text, size, PAGE.width - 2 * PAGE.margin - indent)) {
      this.room(size * 1.3);
      this.y += size * 1.3;
      this.now.push(
        `<text x="${PAGE.margin + indent}" y="${this.y.toFixed(2)}" font-size="${size}" ${more}>${escaped(line)}</text>`,
      );
    }
  }
  title(text: string): void {
    // a heading stands over what it heads
    this.room(20);
    this.y += 2.5;
    this.now.push(
      `<path d="M${PAGE.margin} ${this.y.toFixed(2)}H${PAGE.width - PAGE.margin}" stroke="${this.ink}" stroke-width=".4"/>`,
    );
    this.words(text, 3.6, 'font-weight="700"');
    this.y += 0.6;
  }
  row({ what, number }: CardLine, k: number | null): void {
    const size = 2.9;
    const indent = k === null ? 0 : 5;
    const full = PAGE.width - 2 * PAGE.margin - indent;
    const right = number === '' ? 0 : Math.min(0.45 * full, number.length * LETTER * size + 2);
    const [left, ends] = [wrapped(what, size, full - right), number === '' ? [] : wrapped(number, size, right)];
    const lines = Math.max(left.length, ends.length);
    this.room(lines * size * 1.3 + 1);
    for (let i = 0; i < lines; i++) {
      this.y += size * 1.3;
      if (i === 0 && k !== null)
        this.now.push(
          `<text x="${PAGE.margin}" y="${this.y.toFixed(2)}" font-size="${size}" font-weight="700">${k}</text>`,
        );
      if (left[i] !== undefined)
        this.now.push(
          `<text x="${PAGE.margin + indent}" y="${this.y.toFixed(2)}" font-size="${size}">${escaped(left[i]!)}</text>`,
        );
      if (ends[i] !== undefined)
        this.now.push(
          `<text x="${PAGE.width - PAGE.margin}" y="${this.y.toFixed(2)}" font-size="${size}" font-weight="700" text-anchor="end">${escaped(ends[i]!)}</text>`,
        );
    }
    this.y += 0.8;
  }
  section(s: Section): void {
    this.title(s.title);
    if ('lines' in s) s.lines.forEach((l, i) => this.row(l, s.kind === 'steps' ? i + 1 : null));
    else for (const w of s.words) this.words(w, 2.9);
  }
  drawn(inside: string, width: number, height: number, scale: number): void {
    this.room(height * scale + 4);
    this.y += 2;
    this.now.push(
      `<g transform="translate(${((PAGE.width - width * scale) / 2).toFixed(2)} ${this.y.toFixed(2)}) scale(${scale.toFixed(4)})">${inside}</g>`,
    );
    this.y += height * scale + 1;
  }
}

/** A card as pages of A6 beside each other in one SVG, a unit a millimetre. */
export function cardSvg(card: Card, paper: Paper = DAY): string {
  const pages = new Pages(paper.ink);
  pages.words(card.title, 5.2, 'font-weight="700"');
  pages.words(card.about, 2.9, `fill="${paper.ink2}"`);
  pages.words(card.verdict, 3.5, `font-weight="700" fill="${card.holds ? paper.ink : paper.danger}"`);
  pages.words(card.detail, 2.9);
  const wide = PAGE.width - 2 * PAGE.margin;
  for (const { picture: p } of card.pictures)
    pages.drawn(pathsOf(p, paper), p.width, p.height, (0.62 * wide) / p.width);
  for (const s of card.sections) pages.section(s);
  const side = card.modules.length;
  pages.drawn(`<path d="${modulesPath(card.modules)}" fill="${paper.ink}"/>`, side, side, 26 / side);
  pages.words(`Found again as ${card.code}. ${FOOT}`, 2.9);
  pages.close();
  const width = PAGE.width * pages.done.length;
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${PAGE.height}mm" viewBox="0 0 ${width} ${PAGE.height}" font-family="Atkinson Hyperlegible Next, Verdana, sans-serif" fill="${paper.ink}">
<title>${escaped(card.title)}</title>
${pages.done
  .map(
    (page, i) =>
      `<g transform="translate(${i * PAGE.width} 0)"><rect width="${PAGE.width}" height="${PAGE.height}" fill="${paper.cloth}" stroke="${paper.line}" stroke-width=".2"/>${page.join('')}</g>`,
  )
  .join('\n')}
</svg>
`;
}
