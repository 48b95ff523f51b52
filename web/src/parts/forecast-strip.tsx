import { paint } from '../app/theme/paint.js';
import type { ReactElement } from 'react';

/** An hour of weather as a strip shows it: m/s and mm an hour. */
interface Hour {
  readonly time: number;
  readonly wind: number;
  readonly gust: number;
  readonly rain: number;
}

const when = new Intl.DateTimeFormat('en-GB', { weekday: 'long', hour: '2-digit', minute: '2-digit' });
const TALL = 74;

/** Wind hour by hour as bars, rain hanging from above. */
export function ForecastStrip({
  readings,
  worst,
  bad = [],
  width = 480,
}: {
  readonly readings: readonly Hour[];
  /** Time of the hour that is told apart; null where none is. */
  readonly worst: number | null;
  /** Times of hours in which something gives. */
  readonly bad?: readonly number[];
  /** About as wide as it is shown, px: its words keep their size. */
  readonly width?: number;
}): ReactElement {
  const most = Math.max(12, ...readings.map((r) => r.gust));
  const wide = width / readings.length;
  const y = (v: number): number => TALL - (v / most) * (TALL - 14);
  const days = readings.flatMap((r, i) => (new Date(r.time).getHours() === 0 ? [i] : []));
  return (
    <svg
      style={{ display: 'block', width: '100%' }}
      viewBox={`0 0 ${width} ${TALL + 16}`}
      role="img"
      aria-label={`Wind over ${readings.length} hours${worst === null ? '' : `, strongest ${when.format(worst)}`}`}
    >
      {readings.map((r, i) => (
        <g key={r.time}>
          <rect {...paint.forecastGust} x={i * wide} y={y(r.gust)} width={wide - 1} height={TALL - y(r.gust)} />
          <rect
            {...(r.time === worst || bad.includes(r.time) ? paint.forecastWorst : paint.forecastWind)}
            x={i * wide}
            y={y(r.wind)}
            width={wide - 1}
            height={TALL - y(r.wind)}
          />
          {r.rain > 0.2 && <path {...paint.forecastRain} d={`M${(i + 0.5) * wide} 0v${Math.min(26, r.rain * 3)}`} />}
        </g>
      ))}
      <path {...paint.forecastFoot} d={`M0 ${TALL}H${width}`} />
      {days.map((i) => (
        <g key={i}>
          <path {...paint.forecastDay} d={`M${i * wide} 0V${TALL + 14}`} />
          <text {...paint.forecastName} x={i * wide + 4} y={TALL + 13}>
            {new Intl.DateTimeFormat('en-GB', { weekday: 'short' }).format(readings[i]!.time)}
          </text>
        </g>
      ))}
    </svg>
  );
}
