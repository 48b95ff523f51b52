import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { root } from '../scripts/build.mjs';
import { loadSolver, planCuts } from '@rough-bight/core/budget';
import { CORDS, GUST_FACTOR, cordWeight, dryCurve } from '@rough-bight/core/catalogue';
import { doubtOf, solveDrawn } from '@rough-bight/core/doubt';
import { playGusts } from '@rough-bight/core/gusting';
import { ladderOf } from '@rough-bight/core/ladder';
import { prepare, solve } from '@rough-bight/core/net';
import { prepareGround, rankSpans, survey } from '@rough-bight/core/ground';
import { roofNet } from './nets.mjs';
import { wood } from './places.mjs';
import { solveSpan, unstressedFromDip, unstressedFromPretension, unstressedFromSag } from '@rough-bight/core/line';
import { readRigFile, contextOf } from '@rough-bight/core/formats';
import { casesFor } from '@rough-bight/core/cases';
import { evaluatePitch, pitchModel, solveCases, solvePitch, tieOff } from '@rough-bight/core/pitch';
import { evaluateRidge, gustOf } from '@rough-bight/core/rig';
import { evaluateBed, hangIt, judgeRig } from '@rough-bight/core/shelter';
import { sizeCords, sizeRig } from '@rough-bight/core/sizing';
import { gustyMinute } from '@rough-bight/core/weather';
import { SI } from '@rough-bight/core/quantity';
import { DEFAULT_REQUIRED } from '@rough-bight/core/strength';

/** Median time of one call, ms, over `runs` calls after as many to warm up. */
function median(runs, work) {
  for (let i = 0; i < runs; i++) work();
  const times = [];
  for (let i = 0; i < runs; i++) {
    const began = performance.now();
    work();
    times.push(performance.now() - began);
  }
  return Number(times.sort((a, b) => a - b)[runs >> 1].toFixed(4));
}

/** A plan of cord for twelve rigs of ten lines each from twenty-five hanks of five cords, with a third to spare. */
async function cutPlan() {
  let seed = 7;
  const random = () => (seed = (seed * 1103515245 + 12345) % 2147483648) / 2147483648;
  const needs = Array.from({ length: 120 }, (_, i) => {
    const [rig, k] = [i % 12, Math.floor(i / 12)];
    const role = k === 0 ? 'ridge' : k < 3 ? 'loop' : 'guy';
    const length = role === 'ridge' ? 7 + 5 * random() : role === 'loop' ? 0.55 + 0.2 * random() : 2 + 2.5 * random();
    const kind = role === 'ridge' ? rig % 2 : role === 'loop' ? 2 : 3 + (rig % 2);
    return {
      id: `${rig}/${k}`,
      of: `rig ${rig}`,
      name: role,
      role,
      kind,
      length: Math.ceil(length * 20) / 20,
      roof: null,
    };
  });
  const stocks = Array.from({ length: 25 }, (_, i) => {
    const wanted = needs.filter((n) => n.kind === i % 5);
    const total = wanted.reduce((sum, n) => sum + n.length, 0);
    const length = Math.max(...wanted.map((n) => n.length), (1.33 * total * (0.6 + 0.8 * random())) / 5);
    return { id: `h${i}`, hank: `h${i}`, piece: null, length: Math.round(length * 10) / 10, on: null, kind: i % 5 };
  });
  for (const n of needs) n.from = new Set(stocks.filter((s) => s.kind === n.kind).map((s) => s.id));
  const solve = await loadSolver();
  planCuts(needs.slice(0, 12), stocks, solve);
  const began = performance.now();
  const plan = planCuts(needs, stocks, solve);
  return {
    cutplan_ms: Number((performance.now() - began).toFixed(1)),
    cutplan_unmet: plan.unmet.length,
    cutplan_cuts: plan.cuts,
    // no plan has fewer than this
    cutplan_cuts_at_least: plan.cuts - plan.behind.reduce((sum, b) => sum + (b.rank === 'cuts' ? b.by : 0), 0),
  };
}

/** The same of work that waits. */
async function medianOf(runs, work) {
  const times = [];
  for (let i = 0; i < 2 * runs; i++) {
    const began = performance.now();
    await work();
    if (i >= runs) times.push(performance.now() - began);
  }
  return Number(times.sort((a, b) => a - b)[runs >> 1].toFixed(4));
}

/** Judges a pitched rig as the application does: half of its cases in a thread of its own. */
async function pitchFull(rig, context) {
  const thread = new Worker(new URL('./half.mjs', import.meta.url));
  const ms = await medianOf(3, async () => {
    const other = once(thread, 'message');
    thread.postMessage({ rig, context });
    const { tied, states } = solvePitch(rig, context, { full: true }, 0);
    const [theirs] = await other;
    evaluatePitch(rig, context, { full: true, solved: { tied, states: [...states, ...theirs] } });
  });
  await thread.terminate();
  return ms;
}

/** Two thousand rigs that one may be, half of those that are solved in a thread of their own, as the application does. */
async function sampled(rig, context) {
  const { rows } = evaluatePitch(rig, context, { full: true, spreads: false, rising: false }).result;
  const asked = { cases: rows.map((r) => r.links[0].link.caseId), seed: 1 };
  const thread = new Worker(new URL('./half.mjs', import.meta.url));
  const ms = await medianOf(1, async () => {
    const other = once(thread, 'message');
    thread.postMessage({ rig, context, asked, parts: [2, 3] });
    const own = solveDrawn(rig, context, asked, [0, 1]);
    const [theirs] = await other;
    doubtOf([own, theirs], 2000);
  });
  await thread.terminate();
  return ms;
}

/**
 * A named roof: squares along the ridge and across, and how often to solve it.
 * @type {{ panels: number, size: [number, number], runs: number }[]}
 */
const ROOFS = [
  { panels: 30, size: [5, 3], runs: 200 },
  { panels: 130, size: [13, 5], runs: 100 },
  { panels: 500, size: [25, 10], runs: 30 },
  { panels: 1200, size: [30, 20], runs: 8 },
  { panels: 3000, size: [50, 30], runs: 4 },
];

function solved(engine) {
  const outcome = solve(engine);
  if (!outcome.converged) throw new Error('a bench net did not converge');
  return outcome;
}

/** Equilibrium of whole roofs: prepared and solved anew, a peg dragged by 5 cm, sixteen winds. */
function roofs() {
  const times = {};
  const points = [];
  for (const { panels, size, runs } of ROOFS) {
    const net = roofNet(...size);
    const cold = median(runs, () => solved(prepare(net)));
    points.push([Math.log(panels), Math.log(cold)]);
    if (panels !== 130 && panels !== 500) continue;
    times[`roof${panels}_cold_ms`] = cold;
    const engine = prepare(net);
    solved(engine);
    const { at, nodeIndex } = engine.structure;
    let away = 1;
    times[`roof${panels}_warm_ms`] = median(runs, () => {
      at[3 * nodeIndex.get('peg bl')] += 0.05 * away;
      away = -away;
      solved(engine);
    });
  }
  const windy = prepare(roofNet(13, 5));
  times.cases16_ms = median(20, () => {
    for (let k = 0; k < 16; k++) {
      windy.structure.pressure.fill(40 * Math.cos((k * Math.PI) / 8));
      solved(windy);
    }
  });
  const mean = (i) => points.reduce((s, p) => s + p[i], 0) / points.length;
  const [x, y] = [mean(0), mean(1)];
  const slope =
    points.reduce((s, p) => s + (p[0] - x) * (p[1] - y), 0) / points.reduce((s, p) => s + (p[0] - x) ** 2, 0);
  times.growth_exponent = Number(slope.toFixed(3));
  return times;
}

/** A gable of 128 panels with six guys: judged in full, with spreads, and followed while a foot is dragged. */
async function pitches() {
  const file = readRigFile(readFileSync(join(root, 'examples/rigs/gravel-spit-gable.rig.json'), 'utf8'));
  const context = contextOf(file);
  let { tied } = evaluatePitch(file.rig, context);
  let away = 0;
  const dragged = () => {
    away = away === 0 ? 0.05 : 0;
    const own = { '01': { foot: [3.5, 1.3 + away] } };
    ({ tied } = evaluatePitch({ ...file.rig, pitch: { ...file.rig.pitch, own } }, context, {
      full: false,
      from: tied,
    }));
  };
  // twelve lines: ridge, two hitches, nine guys
  const mess = readRigFile(readFileSync(join(root, 'examples/rigs/mess-roof.rig.json'), 'utf8'));
  const more = { ...mess.rig.pitch.own, '0q': { off: false }, '1q': { off: false }, '0Q': { off: false } };
  const twelve = { ...mess.rig, pitch: { ...mess.rig.pitch, own: more } };
  const messContext = contextOf(mess);
  const mounted = tieOff(pitchModel(twelve, messContext));
  const rested = solvePitch(twelve, messContext, { full: true });
  const dry = casesFor('roof', twelve, gustOf(twelve, { speed: 10, from: null })).filter(
    ({ environment: e }) => e.wind !== null && !e.wet,
  );
  return {
    envelope16_ms: median(5, () => solveCases(mounted, dry)),
    // the rest of its full judgement: rising wind, ranges, ledger, water
    pitch_besides_ms: median(5, () => evaluatePitch(twelve, messContext, { full: true, solved: rested })),
    size_rig_ms: median(3, () => sizeRig(twelve, messContext, 'cut', SI)),
    pitch_full_ms: await pitchFull(file.rig, context),
    ...(await cutPlan()),
    ladder_ms: median(2, () => ladderOf(file.rig, context, { of: 'wind', from: file.rig.pitch.windFrom, wet: false })),
    gust_step_ms: gustStep(file.rig, context),
    samples2000_ms: await sampled(file.rig, context),
    pitch_drag_ms: median(15, dragged),
  };
}

/** A displayed frame of gusts over a rig, a sixtieth of a second, once its code is warm. */
function gustStep(rig, context) {
  const series = gustyMinute(7, GUST_FACTOR.typical, 1);
  const play = playGusts(rig, context, { from: rig.pitch.windFrom, wet: false, series, easing: 'none', law: 'plate' });
  play.next(60);
  return median(5, () => play.next(120)) / 120;
}

/** A bed under its roof: hung by its wish, judged in full with spreads, and followed while a strap is dragged. */
function beds() {
  const file = readRigFile(readFileSync(join(root, 'examples/rigs/river-bed-under-the-fly.rig.json'), 'utf8'));
  const context = contextOf(file);
  const roof = evaluatePitch(file.rig, context);
  let { tied } = roof;
  let away = 0;
  return {
    hang_ms: median(7, () => {
      if (hangIt(file.rig, context, SI).offers.length === 0) throw new Error('the bench bed cannot be hung');
    }),
    bed_full_ms: median(5, () => evaluateBed(file.rig, context, { full: true, roof })),
    bed_drag_ms: median(15, () => {
      away = away === 0 ? 0.05 : 0;
      const [first, second] = file.rig.bed.ends;
      const bed = { ...file.rig.bed, ends: [{ ...first, height: first.height + away }, second] };
      ({ tied } = judgeRig({ ...file.rig, bed }, context, { full: false, from: tied }).roof);
    }),
  };
}

/** A wood of two hundred anchors ranked, and the demo place surveyed. */
function grounds(camp) {
  const who = { body: camp.person.body, calibrations: camp.person.calibrations };
  const cord = { cord: CORDS[0], length: 15 };
  const two = wood(200);
  const { place } = camp.places[0];
  return {
    rank200_ms: median(25, () => rankSpans(prepareGround(two, who, cord))),
    rank_demo_ms: median(25, () => rankSpans(prepareGround(place, who, cord))),
    survey_demo_ms: median(8, () => survey(place, who, SI)),
  };
}

export async function measure() {
  const cord = CORDS[0];
  /** @type {import('@rough-bight/core/line').Span} */
  const span = {
    chord: [6.8, 0, 0.1],
    curve: dryCurve(cord),
    perMetre: [0, 0, -cordWeight(cord, false)],
    loads: [
      { at: 0.28, force: [0, 0, -4.4] },
      { at: 0.5, force: [0, 0, -3.9] },
      { at: 0.72, force: [0, 0, -4.4] },
    ],
    give: [
      [2e-6, 2e-6, 0],
      [3e-6, 3e-6, 0],
    ],
  };
  const camp = JSON.parse(readFileSync(join(root, 'examples/sallow-ait.json'), 'utf8'));
  const context = { kit: camp.kit, body: camp.person.body, required: DEFAULT_REQUIRED };
  const rig = camp.rigs[0].rig;
  return {
    ridge_solve_ms: median(3000, () => solveSpan(span, unstressedFromPretension(span, 280))),
    ridge_from_sag_ms: median(500, () => solveSpan(span, unstressedFromSag(span, 0.15))),
    ridge_from_dip_ms: median(300, () => unstressedFromDip(span, 0.5, 19.6, 0.1)),
    ridge_drag_judgement_ms: median(60, () => evaluateRidge(rig, context, { ranges: false })),
    ridge_full_judgement_ms: median(15, () => evaluateRidge(rig, context)),
    size_kit_ms: median(2, () => sizeCords(rig, context, SI)),
    ...grounds(camp),
    ...roofs(),
    ...(await pitches()),
    ...beds(),
  };
}
