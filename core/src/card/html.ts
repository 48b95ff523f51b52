import { escaped } from '../document/index.js';
import type { Card, CardLine, Section } from './card.js';
import { FOOT } from './card.js';
import type { Paper } from './paper.js';
import { DAY, EMBER } from './paper.js';
import { modulesPath, pathsOf } from '../picture/index.js';
import type { Picture } from '../picture/index.js';

const INKS = { ink: 'var(--ink)', tar: 'var(--tar)', act: 'var(--act)', roof: 'var(--roof)', moss: 'var(--moss)' };

const drawn = (picture: Picture, label: string): string =>
  `<svg viewBox="0 0 ${picture.width} ${picture.height}" role="img" aria-label="${escaped(label)}">${pathsOf(picture, INKS)}</svg>`;

const rows = (lines: readonly CardLine[]): string =>
  lines.map((l) => `<li><span>${escaped(l.what)}</span><b>${escaped(l.number)}</b></li>`).join('');
function section(s: Section): string {
  const head = `<h2>${escaped(s.title)}</h2>`;
  if ('lines' in s) return `${head}${s.kind === 'steps' ? `<ol>${rows(s.lines)}</ol>` : `<ul>${rows(s.lines)}</ul>`}`;
  const words = s.words.map((w) => `<p>${escaped(w)}</p>`).join('');
  return `${head}${s.kind === 'beware' ? `<div class="warn">${words}</div>` : words}`;
}

const variables = (paper: Paper): string =>
  Object.entries(paper)
    .map(([name, colour]) => `--${name}:${colour}`)
    .join(';');

/** Cloth and ink by day; dim and reddish at night, when the box at the top is ticked. */
const STYLE = `
:root{${variables(DAY)}}
html:has(#ember:checked){${variables(EMBER)}}
*{box-sizing:border-box}
body{margin:0;background:var(--cloth);color:var(--ink);font:17px/1.4 "Atkinson Hyperlegible Next","Segoe UI",Verdana,sans-serif}
main{max-width:720px;margin:0 auto;padding:14px 16px 40px}
label{display:flex;gap:10px;align-items:center;min-height:44px;color:var(--ink2)}
label input{width:22px;height:22px;accent-color:var(--act)}
h1{font-size:28px;line-height:1.15;margin:4px 0}
h2{font-size:19px;margin:22px 0 4px;padding-top:10px;border-top:2px solid var(--ink)}
p{margin:4px 0;max-width:65ch}
.verdict{font-weight:700;font-size:20px;line-height:1.25;margin:10px 0 4px}
.fails{color:var(--danger)}
.quiet{color:var(--ink2);font-size:15px}
ul,ol{list-style:none;margin:0;padding:0;counter-reset:n}
li{display:flex;flex-wrap:wrap;justify-content:space-between;gap:2px 14px;padding:7px 0;border-bottom:1px solid var(--line)}
ol li{counter-increment:n;padding-left:34px;position:relative}
ol li::before{content:counter(n);position:absolute;left:0;font-weight:700}
li b{margin-left:auto;text-align:right}
.pictures{display:grid;grid-template-columns:repeat(auto-fit,minmax(260px,1fr));gap:10px;margin:10px 0}
svg{display:block;width:100%;height:auto}
.code{display:flex;gap:16px;align-items:center;margin-top:22px;border-top:2px solid var(--ink);padding-top:12px}
.code svg{width:120px;background:#fff;padding:8px}
.code b{font-size:26px;letter-spacing:.12em}
.warn{border-left:5px solid var(--danger);padding-left:12px}
@media print{label{display:none}body{font-size:11px}}
`;

/** One card's part of a page. */
function part(card: Card): string {
  const pictures = card.pictures.map((p) => drawn(p.picture, p.of)).join('');
  return `<article>
<h1>${escaped(card.title)}</h1>
<p class="quiet">${escaped(card.about)}</p>
<p class="verdict${card.holds ? '' : ' fails'}">${escaped(card.verdict)}</p>
<p>${escaped(card.detail)}</p>
${pictures === '' ? '' : `<div class="pictures">${pictures}</div>`}
${card.sections.map(section).join('\n')}
<div class="code"><svg viewBox="0 0 ${card.modules.length} ${card.modules.length}" role="img" aria-label="Code ${card.code}"><path d="${modulesPath(card.modules)}"/></svg><p>Found again as<br><b>${card.code}</b></p></div>
</article>`;
}

/**
 * Cards as one page that stands by itself: it opens on any phone from a file, without network, script or anything installed.
 * @param title of the page
 */
export const cardHtml = (title: string, cards: readonly Card[]): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>${escaped(title)}</title><style>${STYLE}</style></head>
<body><main><label><input type="checkbox" id="ember"> Ember, for the night</label>
${cards.map(part).join('\n')}
<p class="quiet">${FOOT}</p></main></body></html>
`;
