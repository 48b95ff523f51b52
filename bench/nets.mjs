/**
 * A gable roof as a net: a cloth of 2 x columns x rows panels hung by its ridge ends on two friction hitches of one
 * ridgeline, four guys from its corners to the ground. For the bench and the tests; the numbers are a camp's.
 * @param columns squares along the ridge
 * @param rows    squares across it; the fold runs along row floor(rows / 2)
 * @param pressure Pa on every panel
 */
export function roofNet(columns, rows, pressure = 0) {
  const span = 7.2;
  const long = 3.4;
  const wide = 2.9;
  const height = 1.9;
  const fold = Math.floor(rows / 2);
  const pitch = (38 * Math.PI) / 180;
  const start = (span - long) / 2;
  const name = (i, j) => `c${i}.${j}`;
  const nodes = [
    { id: 'trunk a', at: [0, 0, height], fixed: true },
    { id: 'trunk b', at: [span, 0, height + 0.08], fixed: true },
  ];
  for (let i = 0; i <= columns; i++)
    for (let j = 0; j <= rows; j++) {
      const across = ((j - fold) * wide) / rows;
      nodes.push({
        id: name(i, j),
        at: [
          start + (i * long) / columns,
          across * Math.cos(pitch),
          height - 0.05 - Math.abs(across) * Math.sin(pitch),
        ],
      });
    }
  nodes.push({ id: 'hitch a', at: [start - 0.25, 0, height] }, { id: 'hitch b', at: [start + long + 0.25, 0, height] });
  const lines = [
    {
      id: 'ridge',
      from: 'trunk a',
      to: 'trunk b',
      restLength: span * 0.972,
      axialStiffness: 9000,
      weightPerMetre: 0.09,
      through: [
        { node: 'hitch a', at: (start - 0.25) * 0.972, gripRatio: 1.3 },
        { node: 'hitch b', at: (start + long + 0.25) * 0.972, gripRatio: 1.3 },
      ],
    },
    { id: 'loop a', from: 'hitch a', to: name(0, fold), restLength: 0.25, axialStiffness: 6000 },
    { id: 'loop b', from: 'hitch b', to: name(columns, fold), restLength: 0.25, axialStiffness: 6000 },
  ];
  for (const [i, away] of [
    [0, -1],
    [columns, 1],
  ])
    for (const j of [0, rows]) {
      const corner = nodes.find((n) => n.id === name(i, j)).at;
      const side = j === 0 ? -1 : 1;
      const foot = [corner[0] + away * 0.7, corner[1] + side * 1.1, 0];
      const id = `peg ${i === 0 ? 'a' : 'b'}${side < 0 ? 'l' : 'r'}`;
      nodes.push({ id, at: foot, fixed: true });
      const length = Math.hypot(...foot.map((f, c) => f - corner[c]));
      lines.push({
        id: `guy ${id.slice(4)}`,
        from: name(i, j),
        to: id,
        restLength: length * 0.95,
        axialStiffness: 5000,
        weightPerMetre: 0.05,
      });
    }
  const panels = [];
  const panel = (id, corners) => ({
    id,
    corners,
    stiffness: 30000,
    poisson: 0.25,
    weightPerArea: 0.75,
    ...(pressure === 0 ? {} : { pressure }),
  });
  for (let i = 0; i < columns; i++)
    for (let j = 0; j < rows; j++) {
      const [a, b, c, d] = [name(i, j), name(i + 1, j), name(i + 1, j + 1), name(i, j + 1)];
      panels.push(
        ...((i + j) % 2 === 0
          ? [panel(`p${i}.${j}`, [a, b, c]), panel(`q${i}.${j}`, [a, c, d])]
          : [panel(`p${i}.${j}`, [a, b, d]), panel(`q${i}.${j}`, [b, c, d])]),
      );
    }
  return { format: 'rough-bight/net@1', nodes, lines, panels };
}
